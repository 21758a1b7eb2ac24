import { mirror } from '../../../core/commands/index.js';
import { cabinetKinds, schools } from '../../../core/decisions/index.js';
import type { Dim } from '../../../core/ground/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { useBench } from '../context.js';
import { OverallFields } from '../decisions/OverallSize.js';
import { FigureRow } from './FigureRow.js';
import { KeepAsStart } from './KeepAsStart.js';

/** The cabinet itself, while nothing of it is selected: its overall sizes, how it is built, and what room is in it. */
export function CabinetPanel({ solved }: { solved: SolvedCabinet }) {
  const selected = useBench((state) => state.selected);
  const decisionsShown = useBench((state) => state.decisionsShown);
  const act = useBench((state) => state.act);
  const showDecisions = useBench((state) => state.showDecisions);
  // The decisions begin with the same fields.
  const also = useBench((state) => state.also);
  if (selected || decisionsShown || also.length > 0) return null;
  const { cabinet, resolved, box } = solved;
  const figure = (name: string, dim: Dim) => <FigureRow name={name} dim={dim} within={box} />;
  return (
    <section aria-label="Cabinet" className="sheet flex flex-col gap-1 p-3">
      <OverallFields solved={solved} />
      <div className="mt-1 border-t border-rule/50 pt-1">
        {figure('Inside width', box.insideWidth)}
        {figure('Clear height', box.clearHeight)}
        {figure('Clear depth', box.clearDepth)}
      </div>
      <p className="text-ink-soft">
        {cabinetKinds[cabinet.kind]}, {schools[resolved.settings.school.value].label.toLowerCase()}
      </p>
      <p className="flex flex-wrap gap-1">
        <button type="button" className="act" onClick={() => showDecisions(true)}>
          All decisions
        </button>
        <button type="button" className="act" title="Left for right" onClick={() => act(mirror(solved))}>
          Mirror
        </button>
      </p>
      <KeepAsStart key={cabinet.id} solved={solved} />
    </section>
  );
}
