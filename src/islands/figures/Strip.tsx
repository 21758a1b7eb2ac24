import { type ReadAs, sourceOf } from '../../core/decisions/index.js';
import { type Dim, followTerm, type LengthStyle, type Source, type Token, tape } from '../../core/ground/index.js';
import { Figure, SOURCE } from './Figure.js';
import { Length } from './Length.js';

/** The number a trail of terms leads to, each by its key. */
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

/** One number with the lines it is the total of. */
export function Strip({
  dim,
  style,
  onFollow,
  onLead,
  of,
}: {
  dim: Dim;
  style: LengthStyle;
  onFollow: (term: Dim) => void;
  /** Goes to a decision by its path; absent where its decisions cannot be gone to from here. */
  onLead?: ((path: string) => void) | undefined;
  /** The cabinet the number is read as one of. */
  of?: ReadAs | undefined;
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
          <Length mm={dim.value} style={{ ...style, unit: 'mm', mmStep: 0.1 }} /> mm
        </p>
      )}
      {dim.reason && <p className="mt-1 leading-snug text-ink-soft first-letter:uppercase">{dim.reason}.</p>}
      {dim.source && <SourceLine source={of ? sourceOf(of, dim.source) : dim.source} onLead={onLead} />}
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

function SourceLine({ source, onLead }: { source: Source; onLead?: ((path: string) => void) | undefined }) {
  return (
    <p className="mt-1.5 flex flex-wrap items-center gap-x-2 border-t border-dashed border-rule pt-1.5">
      <span className="font-semibold first-letter:uppercase">{SOURCE[source.kind]}</span>
      {source.note && <span className="text-ink-soft">{source.note}</span>}
      {onLead && source.path && (
        <button
          type="button"
          className="ml-auto min-h-7 font-semibold text-pencil underline"
          onClick={() => onLead(source.path as string)}
        >
          Go to it
        </button>
      )}
    </p>
  );
}
