import { Fragment } from 'react';
import { type Dim, within } from '../../../core/ground/index.js';
import { type Runner, runnerAt } from '../../../core/kinds/runners/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { useBench } from '../context.js';
import { FigureRow } from './FigureRow.js';
import { Raised } from './Raised.js';

const WHERE: Record<Runner['hand'], string> = { left: 'left', right: 'right', under: 'under the box' };

/** The runner that is selected: where it stands, and each of its screws with its tape. */
export function RunnerPanel({ solved }: { solved: SolvedCabinet }) {
  const selected = useBench((state) => state.selected);
  const select = useBench((state) => state.select);
  const runner = runnerAt(solved.fitted.runners, selected);
  if (!runner) return null;
  const { hand, held, drawer } = runner;
  const on = solved.parts.find(({ key }) => key === held?.part);
  const row = (name: string, dim: Dim | undefined) => <FigureRow name={name} dim={dim} within={drawer} />;
  return (
    <section aria-label="Runner" className="sheet flex flex-col gap-1 p-3" data-thing={selected}>
      <h2 className="text-[1.0625rem] leading-snug font-bold">
        Runner, {WHERE[hand]}, of {within(drawer.name)}
      </h2>
      {row('Length', drawer.runner?.length)}
      {hand !== 'under' && row('Screw line above the underside', drawer.runner?.line)}
      <Raised solved={solved} drawer={drawer} />
      {row('Front end, from the front edge', drawer.runner?.start)}
      {held?.holes.map(({ value: mm }, at) => (
        <Fragment key={mm}>{row(`Screw ${at + 1}, from the front edge`, held.holes[at])}</Fragment>
      ))}
      {on ? (
        <p className="flex items-center gap-2">
          <span className="flex-1">Screwed to {within(on.name)}</span>
          <button type="button" className="act" onClick={() => select(on.key)}>
            Select it
          </button>
        </p>
      ) : (
        <p className="text-ink-soft">{heldOtherwise(runner)}</p>
      )}
    </section>
  );
}

/** What carries a runner that is not screwed along a part. */
function heldOtherwise({ hand, drawer }: Runner): string {
  if (hand === 'under') return 'Screwed to the strip under the box.';
  return drawer.brackets
    ? 'Screwed to the stile in front and to a bracket behind.'
    : 'Nothing stands here that carries it.';
}
