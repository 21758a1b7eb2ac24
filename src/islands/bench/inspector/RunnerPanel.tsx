import { Fragment } from 'react';
import type { Dim } from '../../../core/derive/index.js';
import { type FittedDrawer, type RunnerHand, runnerOfKey } from '../../../core/fitted/runners/index.js';
import type { SolvedCabinet } from '../../../core/solve.js';
import { within } from '../../../core/words.js';
import { useBench } from '../context.js';
import { FigureRow } from './FigureRow.js';

const WHERE: Record<RunnerHand, string> = { left: 'left', right: 'right', under: 'under the box' };

/** The runner that is selected: where it stands, and each of its screws with its tape. */
export function RunnerPanel({ solved }: { solved: SolvedCabinet }) {
  const selected = useBench((state) => state.selected);
  const select = useBench((state) => state.select);
  const asked = runnerOfKey(selected);
  const drawer = asked && solved.fitted.runners.find(({ opening }) => opening === asked.opening);
  if (!asked || !drawer?.runner) return null;
  const { hand } = asked;
  const held = hand === 'under' ? undefined : drawer.runner.held[hand];
  const on = solved.parts.find(({ key }) => key === held?.part);
  const row = (name: string, pick: (drawer: FittedDrawer) => Dim | undefined) => (
    <FigureRow
      name={name}
      of={drawer}
      find={({ fitted }) => fitted.runners.find(({ opening }) => opening === asked.opening)}
      pick={pick}
    />
  );
  return (
    <section aria-label="Runner" className="sheet flex flex-col gap-1 p-3" data-thing={selected}>
      <h2 className="text-[1.0625rem] leading-snug font-bold">
        Runner, {WHERE[hand]}, of {within(drawer.name)}
      </h2>
      {row('Length', ({ runner }) => runner?.length)}
      {row('Screw line above the underside', ({ runner }) => runner?.line)}
      {row('Front end, from the front edge', ({ runner }) => runner?.start)}
      {hand !== 'under' &&
        held?.holes.map(({ mm }, at) => (
          <Fragment key={mm}>
            {row(`Screw ${at + 1}, from the front edge`, ({ runner }) => runner?.held[hand]?.holes[at])}
          </Fragment>
        ))}
      {on ? (
        <p className="flex items-center gap-2">
          <span className="flex-1">Screwed to {within(on.name)}</span>
          <button type="button" className="act" onClick={() => select(on.key)}>
            Select it
          </button>
        </p>
      ) : (
        <p className="text-ink-soft">
          {hand === 'under'
            ? 'Screwed to the strip under the box.'
            : 'It is held by brackets, or by nothing that is there.'}
        </p>
      )}
    </section>
  );
}
