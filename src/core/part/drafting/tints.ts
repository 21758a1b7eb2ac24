import type { PartRole } from '../parts/index.js';
import type { Tint } from './drawing.js';

export const TINT: Readonly<Record<PartRole, Tint>> = {
  side: 'case',
  bottom: 'case',
  top: 'case',
  stretcher: 'case',
  divider: 'case',
  partition: 'case',
  nailer: 'case',
  web: 'frame',
  frame: 'frame',
  back: 'back',
  plinth: 'plinth',
  shelf: 'shelf',
  door: 'front',
  'drawer front': 'front',
  end: 'front',
  filler: 'front',
  'drawer box': 'box',
  packing: 'frame',
  spacer: 'frame',
  cell: 'shelf',
};
