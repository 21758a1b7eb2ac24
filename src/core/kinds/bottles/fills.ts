import { fillForm } from '../../decisions/index.js';

export const bottleRoom = fillForm(
  'room',
  {
    kind: 'bottles',
    called: 'bottle cells',
    rank: 5,
    choices: [{ label: 'bottle cells', begins: { kind: 'bottles' } }],
  },
  {},
);
