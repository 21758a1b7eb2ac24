import { gapKey, namedByKey } from '../../../core/build/index.js';
import { distribute, layoutOf, linesOf, mergeOpening, openingPlaceOf } from '../../../core/commands/index.js';
import type { Opening } from '../../../core/decisions/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { LengthField } from '../../fields/LengthField.js';
import { useBench } from '../context.js';
import { useEditing } from '../decisions/editing.js';
import { DividerRow } from '../decisions/OpeningsEditor.js';
import { FigureRow } from './FigureRow.js';

/** The selected gap between two openings: how wide it is, the sizes on both sides, and what stands behind it. */
export function GapPanel({ solved }: { solved: SolvedCabinet }) {
  const selected = useBench((state) => state.selected);
  const act = useBench((state) => state.act);
  const style = useBench((state) => state.job.display);
  const { context, problem } = useEditing(solved);
  const named = namedByKey(selected);
  const place = named?.kind === 'gap' ? openingPlaceOf(solved, named.id) : undefined;
  const found = place && layoutOf(solved, place.opening.id);
  const next = place?.split.parts[place.at + 1];
  if (!place || !next || !found) return null;
  const line = linesOf(solved).find(({ shows }) => shows === gapKey(place.opening.id));
  if (!line) return null;
  const { opening, split, path } = place;
  const gap = found.layout.between[found.at]?.face;
  const said = context.attempt;
  const put = (which: number, mm: number) => {
    const { mm: now, by } = line.following[which] ?? { mm: 0, by: 1 };
    return act(line.place(line.at + (mm - now) * by));
  };
  const joined = mergeOpening(solved, opening.id);
  return (
    <section aria-label="This gap" className="sheet flex flex-col gap-1.5 p-3">
      <h2 className="caps">This gap</h2>
      <p className="font-semibold leading-snug">{line.label}</p>
      <FigureRow name="Gap between the fronts" dim={gap} within={solved.face} />
      {line.following.map(({ name, mm }, at) => (
        <div key={name} className="flex items-center gap-2">
          <span className="flex-1 first-letter:uppercase">{name}</span>
          <LengthField
            label={`${name} beside this gap`}
            mm={mm}
            style={style}
            className="w-24 font-semibold"
            onCommit={(typed) => put(at, typed)}
          />
        </div>
      ))}
      <DividerRow opening={opening} next={next as Opening} split={split} path={path} context={context} />
      <div className="flex flex-wrap gap-1">
        <button type="button" className="act" onClick={() => said(act(distribute(solved, [opening.id, next.id])))}>
          Both equal
        </button>
        {joined && (
          <button type="button" className="act" onClick={() => said(act(joined))}>
            Make them one
          </button>
        )}
      </div>
      {problem && (
        <p role="alert" className="bg-finding-pale px-2 py-1 leading-snug text-finding">
          {problem}
        </p>
      )}
    </section>
  );
}
