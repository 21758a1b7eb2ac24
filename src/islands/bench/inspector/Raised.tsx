import { within } from '../../../core/ground/index.js';
import { drawerFill, type FittedDrawer } from '../../../core/kinds/runners/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { LengthField } from '../../fields/LengthField.js';
import { useActOn, useBench } from '../context.js';

/** How far the runners of a drawer, and the box on them, stand above the lowest they can: what their line is dragged to. */
export function Raised({ solved, drawer }: { solved: SolvedCabinet; drawer: FittedDrawer }) {
  const act = useActOn(solved);
  const style = useBench((state) => state.job.display);
  const { raised, path, name } = drawer;
  return (
    <LengthField
      label="Runners raised by"
      hideLabel={false}
      style={style}
      mm={raised?.value ?? 0}
      onCommit={(mm) =>
        act({
          label: `Runners of ${within(name)} raised`,
          edits: [{ path: drawerFill.at(path, 'raised'), value: mm > 0 ? mm : undefined }],
        })
      }
    />
  );
}
