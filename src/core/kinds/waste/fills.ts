import { fillForm } from '../../decisions/index.js';

/** Bins that come out with their front, and bins behind doors. */
export const binFront = fillForm(
  'opening',
  {
    kind: 'waste',
    called: 'bin front',
    rank: 6,
    front: { like: 'door', opens: 'out' },
    choices: [{ label: 'Bin pull-out', letter: 'b', begins: { kind: 'waste' } }],
  },
  {},
);

export const binRoom = fillForm(
  'room',
  {
    kind: 'waste',
    called: 'bin room',
    rank: 4,
    choices: [{ label: 'a bin pull-out', begins: { kind: 'waste' } }],
  },
  {},
);
