import { choice, length, name, not, type ResolvedWith, section, type ValuesOf } from '../../decisions/index.js';
import { inches } from '../../ground/index.js';

const ON_DOORS = { 'pulls/doors': not('none') } as const;
const ON_DRAWERS = { 'pulls/drawers': not('none') } as const;

export const pullSettings = section('Pulls and knobs', {
  pulls: {
    doors: name('pull on doors', { from: 'pulls', metric: 'harl-bow-128', inch: 'harl-knob' }),
    fromEnd: length('pull from the corner of a door', {
      min: 5,
      max: 600,
      metric: 60,
      inch: inches(2 + 1 / 2),
      when: ON_DOORS,
    }),
    fromEdge: length('pull from the opening edge of a door', {
      min: 5,
      max: 300,
      metric: 40,
      inch: inches(1 + 1 / 2),
      when: { 'pulls/doors': not('none'), 'making/kind': 'slab' },
    }),
    reach: length('pulls of tall doors above the floor', {
      min: 300,
      max: 1800,
      metric: 1050,
      inch: inches(42),
      when: ON_DOORS,
    }),
    drawers: name('pull on drawers', { from: 'pulls', metric: 'harl-bow-128', inch: 'harl-knob' }),
    drawerPlace: choice(
      'drawer pulls stand',
      { middle: 'in the middle of the front', rail: 'on the top rail' },
      { metric: 'middle', when: ON_DRAWERS },
    ),
    twoOver: length('two pulls on drawers wider than', {
      min: 100,
      max: 3000,
      metric: 750,
      inch: inches(30),
      when: ON_DRAWERS,
    }),
  },
});

export type PullSettings = (typeof pullSettings)['settings'];
/** A cabinet's settings with these among them. */
export type PullResolved = ResolvedWith<ValuesOf<PullSettings>>;
