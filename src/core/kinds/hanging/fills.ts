import { fillForm } from '../../decisions/index.js';

export const hangingRoom = fillForm(
  'room',
  {
    kind: 'rail',
    called: 'hanging room',
    rank: 6,
    choices: [{ label: 'a hanging rail', begins: { kind: 'rail' } }],
  },
  {},
);
