import type { ComponentType } from 'react';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { CabinetPanel } from './CabinetPanel.js';
import { DrawerPanel } from './DrawerPanel.js';
import { FrontPanel } from './FrontPanel.js';
import { GapPanel } from './GapPanel.js';
import { HingePanel } from './HingePanel.js';
import { KindPanels } from './KindPanels.js';
import { OpeningPanel } from './OpeningPanel.js';
import { PartPanel } from './PartPanel.js';
import { RunnerPanel } from './RunnerPanel.js';
import { ShelfPanel } from './ShelfPanel.js';
import { TapePanel } from './TapePanel.js';
import { ThingPanel } from './ThingPanel.js';

/** What stands beside the drawing of what is selected, from above; each says nothing where it is of something else. */
export const panels: Readonly<Record<string, ComponentType<{ readonly solved: SolvedCabinet }>>> = {
  tape: TapePanel,
  cabinet: CabinetPanel,
  thing: ThingPanel,
  opening: OpeningPanel,
  gap: GapPanel,
  part: PartPanel,
  shelf: ShelfPanel,
  front: FrontPanel,
  hinge: HingePanel,
  runner: RunnerPanel,
  drawer: DrawerPanel,
  kinds: KindPanels,
};
