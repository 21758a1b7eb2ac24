import { fillForm } from '../../decisions/index.js';

export const liftFill = fillForm(
  'opening',
  {
    kind: 'lift',
    called: 'lift-up front',
    rank: 5,
    room: true,
    front: { like: 'door', opens: 'up' },
    choices: [{ label: 'Lift-up front', letter: 'u', begins: { kind: 'lift' } }],
  },
  {},
);
