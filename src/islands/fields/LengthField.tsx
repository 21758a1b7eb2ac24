import { useEffect, useId, useRef, useState } from 'react';
import { formatLength, type LengthStyle, parseLength } from '../../core/ground/index.js';

/** What became of a typed value: taken, or refused with a plain sentence. */
export type Outcome = { readonly ok: true } | { readonly ok: false; readonly message: string };

export interface LengthFieldProps {
  readonly label: string;
  readonly mm: number;
  readonly style: LengthStyle;
  /** Names that may stand in the entry, in mm. */
  readonly names?: Readonly<Record<string, number>>;
  readonly onCommit: (mm: number) => Outcome;
  readonly onFocus?: () => void;
  /** Called after a value was taken with Enter, or the entry was given up with Escape. */
  readonly onDone?: () => void;
  readonly autoFocus?: boolean;
  readonly className?: string;
  readonly path?: string;
  readonly hideLabel?: boolean;
}

/** How far an arrow key steps: 1 mm, or one mark of the job's graduation. */
export function stepOf(style: LengthStyle): number {
  return style.unit === 'in' ? 25.4 / style.graduation : Math.max(1, style.mmStep);
}

/**
 * A size as makers type it. Takes the value on Enter or when left; a refused entry stays as typed with the reason under
 * it. While typing, the value in both units is shown at once.
 */
export function LengthField(props: LengthFieldProps) {
  const { label, mm, style, names, onCommit, onDone } = props;
  const id = useId();
  const shown = formatLength(mm, style);
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const { autoFocus } = props;

  useEffect(() => {
    if (autoFocus) {
      input.current?.focus();
      input.current?.select();
    }
  }, [autoFocus]);

  const read = (text: string) => parseLength(text, { unit: style.unit, ...(names ? { names } : {}) });
  const commit = (text: string): boolean => {
    const result = read(text);
    const outcome = result.ok ? onCommit(result.mm) : result;
    setProblem(outcome.ok ? null : outcome.message);
    if (outcome.ok) setTyped(null);
    return outcome.ok;
  };
  const leave = () => {
    if (typed === null || typed === shown) {
      setTyped(null);
      setProblem(null);
      return;
    }
    if (commit(typed)) onDone?.();
  };
  const step = (by: number) => {
    const from = typed === null ? mm : read(typed);
    const start = typeof from === 'number' ? from : from.ok ? from.mm : mm;
    const to = Math.round((start + by) / stepOf(style)) * stepOf(style);
    const outcome = onCommit(to);
    setProblem(outcome.ok ? null : outcome.message);
    setTyped(outcome.ok ? null : formatLength(to, style));
  };
  const preview = typed !== null && typed !== shown ? read(typed) : null;
  const both = preview?.ok ? bothUnits(preview.mm, style) : null;

  return (
    <span className={`relative inline-flex flex-col ${props.className ?? ''}`}>
      <label htmlFor={id} className={props.hideLabel === false ? 'text-[0.875rem] text-ink-soft' : 'sr-only'}>
        {label}
      </label>
      <input
        ref={input}
        id={id}
        data-path={props.path}
        className="entry w-full text-right tabular-nums"
        inputMode="text"
        autoComplete="off"
        spellCheck={false}
        value={typed ?? shown}
        aria-invalid={problem !== null}
        aria-describedby={problem !== null ? `${id}-problem` : undefined}
        onFocus={(event) => {
          event.currentTarget.select();
          props.onFocus?.();
        }}
        onChange={(event) => {
          setTyped(event.currentTarget.value);
          setProblem(null);
        }}
        onBlur={leave}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            // Enter takes the size; it does not send the form around it.
            event.preventDefault();
            if (commit(event.currentTarget.value)) {
              event.currentTarget.select();
              onDone?.();
            }
          } else if (event.key === 'Escape') {
            setTyped(null);
            setProblem(null);
            onDone?.();
          } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
            event.preventDefault();
            step((event.key === 'ArrowUp' ? 1 : -1) * stepOf(style) * (event.shiftKey ? 10 : 1));
          }
        }}
      />
      {problem !== null ? (
        <span
          id={`${id}-problem`}
          role="alert"
          className="relative z-10 mt-0.5 block w-max max-w-64 self-end bg-finding-pale px-1.5 py-1 text-left text-[0.875rem] leading-snug font-normal text-finding"
        >
          {problem}
        </span>
      ) : both ? (
        <span className="absolute top-full right-0 z-10 bg-ink px-1.5 py-0.5 text-[0.8125rem] whitespace-nowrap text-sheet">
          {both}
        </span>
      ) : null}
    </span>
  );
}

function bothUnits(mm: number, style: LengthStyle): string {
  const millimetres = `${formatLength(mm, { ...style, unit: 'mm', mmStep: 0.1 })} mm`;
  const inches = `${formatLength(mm, { ...style, unit: 'in' })} in`;
  return style.unit === 'mm' ? `${millimetres} = ${inches}` : `${inches} = ${millimetres}`;
}
