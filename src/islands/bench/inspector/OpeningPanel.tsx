import { Columns2, Menu, Rows2 } from 'lucide-react';
import { HANDS, type HandKey, openingAt, openingPlaceOf } from '../../../core/commands/index.js';
import { pathTo } from '../../../core/decisions/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { chosenOpenings, useOpeningAct } from '../chosen.js';
import { useBench } from '../context.js';
import { useEditing } from '../decisions/editing.js';
import { OpeningBlock } from '../decisions/OpeningBlock.js';

/** The opening of what is selected: what it is made, how its size is decided, what is behind it, what can be done with it. */
export function OpeningPanel({ solved }: { solved: SolvedCabinet }) {
  const selected = useBench((state) => state.selected);
  const also = useBench((state) => state.also);
  const carryOut = useBench((state) => state.act);
  const decisionsShown = useBench((state) => state.decisionsShown);
  const openMenu = useBench((state) => state.openMenu);
  const act = useOpeningAct();
  const { context, problem } = useEditing(solved);
  const id = openingAt(solved, selected) ?? also[0];
  const place = id === undefined ? undefined : openingPlaceOf(solved, id);
  if (!place) return null;
  const { opening, split, splitPath, path, at, name } = place;
  const count = chosenOpenings({ selected, also }, solved).length;
  const said = context.attempt;
  const hands = (Object.keys(HANDS) as HandKey[]).filter((key) => key !== 'Delete');
  return (
    <section aria-label="This opening" className="sheet flex flex-col gap-1.5 p-3">
      <h2 className="caps">{count > 1 ? `${count} openings` : 'This opening'}</h2>
      {/* Beside all decisions the opening stands there already. */}
      {!decisionsShown && (
        <OpeningBlock
          opening={opening}
          at={at}
          split={split}
          path={path}
          context={context}
          onMove={(by) =>
            said(
              carryOut({
                label: 'Opening moved',
                edits: [{ path, moveBefore: split.parts[by < 0 ? at - 1 : at + 2]?.id ?? null }],
              }),
            )
          }
          onRemove={() =>
            said(
              carryOut({
                label: 'Opening removed',
                edits: [{ path: pathTo.opening(splitPath, opening.id), value: undefined }],
              }),
            )
          }
        />
      )}
      <div className="flex flex-wrap gap-1">
        <button
          type="button"
          className="act"
          aria-label={`Divide ${name} in 2 rows`}
          onClick={() => said(act({ divide: 'rows', in: 2 }))}
        >
          <Rows2 size={15} aria-hidden="true" /> 2 rows
        </button>
        <button
          type="button"
          className="act"
          aria-label={`Divide ${name} in 2 columns`}
          onClick={() => said(act({ divide: 'columns', in: 2 }))}
        >
          <Columns2 size={15} aria-hidden="true" /> 2 columns
        </button>
        <button
          type="button"
          className="act"
          title="Everything that can be made of it (m)"
          onClick={(event) => {
            const box = event.currentTarget.getBoundingClientRect();
            openMenu({ x: box.left, y: box.bottom });
          }}
        >
          <Menu size={15} aria-hidden="true" /> More
        </button>
      </div>
      <details>
        <summary className="min-h-7 cursor-pointer">Sizes and neighbours</summary>
        <div className="flex flex-wrap gap-1">
          {hands.map((key) => (
            <button key={key} type="button" className="act" onClick={() => said(act({ hand: key }))}>
              {HANDS[key]}
            </button>
          ))}
        </div>
      </details>
      {problem && (
        <p role="alert" className="bg-finding-pale px-2 py-1 leading-snug text-finding">
          {problem}
        </p>
      )}
      <p className="text-[0.875rem] leading-snug text-ink-soft">
        A number and r or c divides it, m opens its menu, Shift press chooses several.
      </p>
    </section>
  );
}
