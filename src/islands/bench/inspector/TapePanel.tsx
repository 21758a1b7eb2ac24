import { ChevronLeft, X } from 'lucide-react';
import { type Dim, followTerm, type LengthStyle, type Token, tape, termKey } from '../../../core/ground/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { Length } from '../../figures/Length.js';
import { useBench, useBenchStore } from '../context.js';
import { leadTo } from '../decisions/lead.js';
import { Figure, SOURCE } from './Figure.js';
import { UsedBy } from './UsedBy.js';

/** The arithmetic of one number, line by line; every term opens in turn, down to the decisions. */
export function TapePanel({ solved }: { solved: SolvedCabinet }) {
  const open = useBench((state) => state.tape);
  if (!open || open.inPlace) return null;
  return (
    <div className="sheet p-3">
      <Tape solved={solved} />
    </div>
  );
}

/** The open tape, wherever it stands. */
export function Tape({ solved }: { solved: SolvedCabinet }) {
  const open = useBench((state) => state.tape);
  const followTape = useBench((state) => state.followTape);
  const closeTape = useBench((state) => state.closeTape);
  const style = useBench((state) => state.job.display);
  if (!open) return null;
  const root = open.find(solved);
  const dim = root && walk(root, open.trail);
  return (
    <section aria-label="Tape" data-tape={dim?.label}>
      <div className="flex items-center justify-between">
        <h2 className="caps">Tape</h2>
        <button
          type="button"
          className="grid size-7 place-items-center"
          aria-label="Close the tape"
          onClick={closeTape}
        >
          <X size={16} />
        </button>
      </div>
      {open.trail.length > 0 && (
        <button
          type="button"
          className="flex min-h-7 items-center gap-0.5 text-pencil"
          onClick={() => followTape(open.trail.slice(0, -1))}
        >
          <ChevronLeft size={15} aria-hidden="true" />
          back to {(root && walk(root, open.trail.slice(0, -1))?.label) ?? root?.label}
        </button>
      )}
      {dim ? (
        <>
          <Strip dim={dim} style={style} onFollow={(term) => followTape([...open.trail, termKey(dim, term)])} />
          <UsedBy solved={solved} dim={dim} />
        </>
      ) : (
        <p className="mt-1">This number is no longer part of the cabinet.</p>
      )}
    </section>
  );
}

export function walk(root: Dim, trail: readonly string[]): Dim | undefined {
  return trail.reduce<Dim | undefined>((dim, key) => dim && followTerm(dim, key), root);
}

/** What stands behind a number that is no length. */
const UNITS: Readonly<Record<string, string>> = {
  kg: 'kg',
  degrees: '°',
  mm2: 'mm²',
  mm3: 'mm³',
  mm4: 'mm⁴',
  m3: 'm³',
  'kg/m': 'kg/m',
  'kg/m3': 'kg/m³',
  'N/kg': 'N/kg',
  'N/mm': 'N/mm',
  'N/mm2': 'N/mm²',
  min: 'min',
  'min/m': 'min a metre',
  'min/h': 'min',
  h: 'h',
  m: 'm',
  m2: 'm²',
};

/** One number with the lines it is the total of. `leads` where its decisions can be gone to from here. */
export function Strip({
  dim,
  style,
  onFollow,
  leads = true,
}: {
  dim: Dim;
  style: LengthStyle;
  onFollow: (term: Dim) => void;
  leads?: boolean;
}) {
  const { manner, lines } = tape(dim);
  return (
    <>
      <p className="text-[1.0625rem] leading-tight font-semibold first-letter:uppercase">{dim.label}</p>
      {lines.length > 0 && (
        <div className="mt-2 border-t border-dashed border-rule pt-1.5">
          {manner && <p className="text-ink-soft">{manner}</p>}
          <ol>
            {lines.map((line, at) => (
              <li key={at} className="flex min-h-7 items-baseline gap-1.5">
                <span className="w-3 shrink-0 text-center font-semibold">{line.sign}</span>
                <span className="min-w-0 flex-1 leading-snug">
                  <Tokens tokens={line.tokens} style={style} onFollow={onFollow} />
                </span>
                <span className="shrink-0 tabular-nums">
                  <Figure dim={line.dim} style={style} />
                </span>
              </li>
            ))}
          </ol>
        </div>
      )}
      <p
        className={`flex items-baseline justify-end gap-1 text-[1.75rem] leading-tight font-bold ${lines.length > 0 ? 'mt-1 border-t-2 border-ink pt-1' : ''}`}
      >
        <Figure dim={dim} style={style} />
        <span className="text-base font-normal text-ink-soft">
          {dim.measure === 'mm' ? style.unit : (UNITS[dim.measure] ?? '')}
        </span>
      </p>
      {dim.measure === 'mm' && style.unit === 'in' && (
        <p className="text-right text-ink-soft">
          <Length mm={dim.mm} style={{ ...style, unit: 'mm', mmStep: 0.1 }} /> mm
        </p>
      )}
      {dim.reason && <p className="mt-1 leading-snug text-ink-soft first-letter:uppercase">{dim.reason}.</p>}
      {dim.source && <SourceLine dim={dim} leads={leads} />}
    </>
  );
}

/** Names of the terms as links; a line that is one number needs no figures, its value stands at the right. */
function Tokens({
  tokens,
  style,
  onFollow,
}: {
  tokens: readonly Token[];
  style: LengthStyle;
  onFollow: (term: Dim) => void;
}) {
  const single = tokens.length === 1;
  return tokens.map((token, at) => {
    if (token.kind === 'sign') return <span key={at}>{token.text}</span>;
    const { dim } = token;
    if (dim.label === '') return <Figure key={at} dim={dim} style={style} />;
    return (
      <span key={at}>
        <button
          type="button"
          className="min-h-7 text-left underline decoration-rule underline-offset-2 hover:text-pencil"
          onClick={() => onFollow(dim)}
        >
          {dim.label}
        </button>
        {!single && (
          <>
            {' '}
            <Figure dim={dim} style={style} />
          </>
        )}
      </span>
    );
  });
}

function SourceLine({ dim, leads }: { dim: Dim; leads: boolean }) {
  const store = useBenchStore();
  const { source } = dim;
  if (!source) return null;
  return (
    <p className="mt-1.5 flex flex-wrap items-center gap-x-2 border-t border-dashed border-rule pt-1.5">
      <span className="font-semibold first-letter:uppercase">{SOURCE[source.kind]}</span>
      {source.note && <span className="text-ink-soft">{source.note}</span>}
      {leads && source.path && (
        <button
          type="button"
          className="ml-auto min-h-7 font-semibold text-pencil underline"
          onClick={() => leadTo(store, source.path as string)}
        >
          Go to it
        </button>
      )}
    </p>
  );
}
