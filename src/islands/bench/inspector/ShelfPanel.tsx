import { loadedShelf, longestSpan, shelfSag } from '../../../core/build/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { Length } from '../../figures/Length.js';
import { useBench } from '../context.js';
import { shownAt } from '../numbers.js';

const CURVE = { width: 216, height: 74, margin: 14 };

/** How far the selected shelf sags under its load: the curve drawn many times too deep, its limit beside it. */
export function ShelfPanel({ solved }: { solved: SolvedCabinet }) {
  const selected = useBench((state) => state.selected);
  const openTape = useBench((state) => state.openTape);
  const style = useBench((state) => state.job.display);
  const part = solved.parts.find((each) => each.key === selected);
  const shelf = part && loadedShelf(part, solved.parts, solved.resolved);
  if (!part || !shelf || shelf.span.value <= 0 || shelf.depth.value <= 0) return null;
  const sag = shelfSag(shelf);
  const fine = { ...style, mmStep: 0.1 };
  const row = (name: string, which: 'lasting' | 'allowed') => (
    <p className="flex justify-between">
      <span>{name}</span>
      <button
        type="button"
        className="min-h-7 font-semibold hover:text-pencil"
        onClick={() => openTape(shownAt('sag', part.key, which))}
      >
        <Length mm={sag[which].value} style={fine} />
      </button>
    </p>
  );
  return (
    <section aria-label="Shelf under load" className="sheet p-3">
      <h2 className="caps">Shelf under load</h2>
      <SagCurve sag={sag.lasting.value} allowed={sag.allowed.value} />
      {row('Sags in time', 'lasting')}
      {row('Allowed', 'allowed')}
      <p className="flex min-h-7 items-center justify-between">
        <span>Longest span</span>
        <span className="font-semibold">
          <Length mm={longestSpan(shelf)} style={style} />
        </span>
      </p>
      <p className={`leading-snug ${sag.passes ? 'text-ink-soft' : 'font-semibold text-finding'}`}>
        {sag.passes ? 'It stays within its limit.' : 'It sags more than it may.'} Load and limit stand under Shelves.
      </p>
    </section>
  );
}

/** Deflection of a beam on two supports under an even load, as a share of the greatest. */
function deflection(x: number): number {
  return 3.2 * (x - 2 * x ** 3 + x ** 4);
}

function SagCurve({ sag, allowed }: { sag: number; allowed: number }) {
  const { width, height, margin } = CURVE;
  const depth = height - 2 * margin;
  const unit = depth / Math.max(sag, allowed);
  const at = (x: number, down: number) => `${margin + x * (width - 2 * margin)},${margin + down * unit}`;
  const steps = Array.from({ length: 41 }, (_, step) => step / 40);
  const over = sag > allowed;
  return (
    <svg
      width={width}
      height={height}
      className="my-1 block"
      role="img"
      aria-label={over ? 'The curve hangs below its limit' : 'The curve stays above its limit'}
    >
      <polyline points={`${at(0, 0)} ${at(1, 0)}`} stroke="var(--color-rule)" strokeDasharray="2 3" fill="none" />
      <polyline
        points={`${at(0.02, allowed)} ${at(0.98, allowed)}`}
        stroke="var(--color-ink)"
        strokeDasharray="6 3"
        fill="none"
      />
      <text
        x={width / 2}
        textAnchor="middle"
        y={margin + allowed * unit + (over ? -4 : 13)}
        fontSize={13}
        fill="var(--color-ink-soft)"
      >
        limit
      </text>
      <polyline
        points={steps.map((x) => at(x, sag * deflection(x))).join(' ')}
        stroke={over ? 'var(--color-finding)' : 'var(--color-ink)'}
        strokeWidth={2.4}
        fill="none"
      />
      {[0, 1].map((x) => (
        <path key={x} d={`M${margin + x * (width - 2 * margin)} ${margin} l-6 10 h12 z`} fill="var(--color-ink)" />
      ))}
    </svg>
  );
}
