import { DoorChooser, HingeView } from '../HingeView.js';
import type { View } from './view.js';

/** The hinge corner of a door in plan; it wants the whole height to be drawn at full size. */
export const hinge: View<'hinge'> = {
  id: 'hinge',
  label: 'Hinge corner',
  key: 'h',
  Sheet: HingeView,
  Chooser: DoorChooser,
  tall: true,
};
