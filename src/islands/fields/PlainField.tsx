import { useState } from 'react';
import type { Outcome } from './LengthField.js';

export interface PlainFieldProps {
  readonly label: string;
  readonly value: number;
  /** Only whole numbers. */
  readonly whole?: boolean;
  /** How wide the entry is. */
  readonly width?: string;
  readonly onCommit: (value: number) => Outcome;
}

/** A plain number: a count, a share, a ratio. A refused entry stays as typed with the reason under it. */
export function PlainField({ label, value, whole = false, width = 'w-12', onCommit }: PlainFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const commit = () => {
    if (typed === null) return;
    const next = Number(typed.replace(',', '.'));
    if (typed.trim() === '' || !Number.isFinite(next) || (whole && !Number.isInteger(next))) {
      setProblem(whole ? 'A whole number was expected here.' : 'A plain number such as 1 or 1.5 was expected here.');
      return;
    }
    const outcome = onCommit(next);
    setProblem(outcome.ok ? null : outcome.message);
    if (outcome.ok) setTyped(null);
  };
  return (
    <span className="relative">
      <input
        aria-label={label}
        aria-invalid={problem !== null}
        className={`entry ${width} text-right font-semibold`}
        inputMode={whole ? 'numeric' : 'decimal'}
        value={typed ?? String(value)}
        onChange={(event) => {
          setTyped(event.currentTarget.value);
          setProblem(null);
        }}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit();
          if (event.key === 'Escape') setTyped(null);
        }}
      />
      {problem && (
        <span
          role="alert"
          className="absolute top-full right-0 z-10 w-52 bg-finding-pale px-1.5 py-1 text-[0.875rem] text-finding"
        >
          {problem}
        </span>
      )}
    </span>
  );
}
