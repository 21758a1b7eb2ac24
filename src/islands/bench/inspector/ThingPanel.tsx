import { type Behind, decisionsBehind } from '../../../core/commands/index.js';
import { subjectOf } from '../../../core/decisions/index.js';
import type { Dim } from '../../../core/ground/index.js';
import { faceName, type Part } from '../../../core/part/index.js';
import { cutOfKey, machiningTable } from '../../../core/present/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { Figure, SOURCE } from '../../figures/Figure.js';
import { useBench, useBenchStore } from '../context.js';
import { leadTo } from '../decisions/lead.js';
import { MachiningTable } from '../sheet/MachiningTable.js';
import { FigureRow } from './FigureRow.js';

/** What is selected: what it is, its numbers with their tapes, the decisions behind them, what is cut in it. */
export function ThingPanel({ solved }: { solved: SolvedCabinet }) {
  const selected = useBench((state) => state.selected);
  const show = useBench((state) => state.show);
  const cut = cutOfKey(selected);
  const key = cut?.part ?? selected;
  const part = solved.parts.find((each) => each.key === key);
  if (!part) return null;
  const row = solved.rows.find(({ keys }) => keys.includes(part.key));
  const figure = (name: string, dim: Dim | undefined) => <FigureRow name={name} dim={dim} within={part} />;
  const banded = part.cutLength !== part.length || part.cutWidth !== part.width;
  return (
    <section aria-label="Selected" className="sheet flex flex-col gap-1 p-3" data-thing={selected}>
      <h2 className="flex items-baseline gap-2 text-[1.0625rem] leading-snug font-bold">
        <span className="flex-1">{part.name}</span>
        <span className="text-ink-soft">{row?.mark}</span>
      </h2>
      <p className="leading-snug text-ink-soft">
        {part.material.name}
        {row && row.keys.length > 1 ? `, ${row.keys.length} alike` : ''}
        {part.bought ? ', bought' : ''}
      </p>
      {cut ? <OneCut part={part} at={cut.at} /> : null}
      {figure('Length', part.length)}
      {figure('Width', part.width)}
      {figure('Thickness', part.thickness)}
      {banded && figure('Cut to, length', part.cutLength)}
      {banded && figure('Cut to, width', part.cutWidth)}
      <Deciding solved={solved} dims={cut ? cutDims(part, cut.at) : [part.length, part.width, part.thickness]} />
      <details open={cut !== undefined}>
        <summary className="min-h-7 cursor-pointer font-semibold">
          Cut and bored in it ({part.machining.length})
        </summary>
        <MachiningTable part={part} />
      </details>
      <p className="flex flex-wrap gap-1">
        <button type="button" className="act" onClick={() => show('panel')}>
          Panel
        </button>
        <button type="button" className="act" onClick={() => show('picture')}>
          In the picture
        </button>
      </p>
    </section>
  );
}

function cutDims(part: Part, at: number): Dim[] {
  const row = machiningTable(part)[at];
  return row ? [row.size, row.by, row.depth, row.offset, ...row.positions].filter((dim) => dim !== undefined) : [];
}

/** One cut by itself: what it is, where, and why. */
function OneCut({ part, at }: { part: Part; at: number }) {
  const row = machiningTable(part)[at];
  const operation = part.machining[at];
  if (!row) return <p>It is no longer cut.</p>;
  return (
    <p className="border-l-4 border-pencil pl-2 leading-snug">
      <b>{row.what}</b>
      {operation && 'face' in operation && operation.face ? `, ${faceName(part, operation.face)}` : ''}: {row.reason}
    </p>
  );
}

/** So many decisions are listed at first. */
const MOST = 6;

/** The decisions some numbers come from: each with its value and where it was made, led to and put back. */
function Deciding({ solved, dims }: { solved: SolvedCabinet; dims: readonly Dim[] }) {
  const behind = decisionsBehind(solved, dims);
  if (behind.length === 0) return null;
  return (
    <details>
      <summary className="min-h-7 cursor-pointer font-semibold">Decided by ({behind.length})</summary>
      <ul aria-label="Decided by">
        {behind.slice(0, MOST).map((each) => (
          <Decision key={each.source.path} behind={each} />
        ))}
      </ul>
      {behind.length > MOST && (
        <details>
          <summary className="min-h-7 cursor-pointer text-ink-soft">{behind.length - MOST} more</summary>
          <ul>
            {behind.slice(MOST).map((each) => (
              <Decision key={each.source.path} behind={each} />
            ))}
          </ul>
        </details>
      )}
    </details>
  );
}

function Decision({ behind: { dim, source } }: { behind: Behind }) {
  const store = useBenchStore();
  const act = useBench((state) => state.act);
  const style = useBench((state) => state.job.display);
  const subject = subjectOf(source.path);
  const own = subject.kind === 'setting' && subject.layer === 'cabinet';
  return (
    <li className="flex min-h-7 flex-wrap items-baseline gap-x-2 leading-snug">
      <button
        type="button"
        className="min-w-0 flex-1 text-left first-letter:uppercase hover:text-pencil"
        onClick={() => leadTo(store, source.path)}
      >
        {dim.label}
      </button>
      <span className="font-semibold">
        <Figure dim={dim} style={style} />
      </span>
      <span className="w-full pl-3 text-[0.8125rem] text-ink-soft">
        {SOURCE[source.kind]}
        {own && (
          <button
            type="button"
            className="ml-2 font-semibold text-pencil underline"
            onClick={() =>
              act({
                label: `${dim.label} by the house`,
                edits: [{ path: source.path, value: undefined }],
              })
            }
          >
            put back
          </button>
        )}
      </span>
    </li>
  );
}
