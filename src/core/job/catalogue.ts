import type { HingeProfile } from './hardware.js';

/** A small simulated catalogue of invented makers, to work with until a shop has entered its own. */
const common = {
  closing: 'damped',
  stock: true,
  cup: {
    least: 3,
    most: 7,
    diameter: 35,
    depth: 12.5,
    fixingApart: 45,
    fixingFurther: 9.5,
    fixingDiameter: 2.5,
    fixingDepth: 10,
  },
  plates: [0, 2, 4, 6, 9],
  plate: { apart: 32, setback: 37, diameter: 5, depth: 12 },
  sideAdjust: 2,
  gaps: [
    { thickness: 16, gap: 0.5 },
    { thickness: 18, gap: 0.8 },
    { thickness: 20, gap: 1.2 },
    { thickness: 22, gap: 1.9 },
    { thickness: 24, gap: 2.8 },
    { thickness: 26, gap: 3.9 },
  ],
  byHeight: [
    { upTo: 900, count: 2 },
    { upTo: 1600, count: 3 },
    { upTo: 2000, count: 4 },
    { upTo: 2400, count: 5 },
  ],
  byWeight: [
    { upTo: 7, count: 2 },
    { upTo: 12, count: 3 },
    { upTo: 17, count: 4 },
    { upTo: 22, count: 5 },
  ],
  wideOver: 600,
  note: 'Simulated: invented maker, figures of the kind the trade uses.',
} satisfies Partial<HingeProfile>;

const arms = { full: 12.5, half: 4, inset: -4.5 } as const;
const crank = { full: 'straight', half: 'half cranked', inset: 'cranked' } as const;

function family(maker: string, id: string, opening: number, more: Partial<HingeProfile>): HingeProfile[] {
  return (['full', 'half', 'inset'] as const).map((fit) => ({
    ...common,
    id: `${id}-${fit}`,
    maker,
    name: `${opening}° ${crank[fit]}`,
    fit,
    opening,
    arm: arms[fit],
    ...more,
  }));
}

const frameHinges: HingeProfile[] = [10, 13, 16].map((overlay) => ({
  ...common,
  id: `tallis-frame-${overlay}`,
  maker: 'Tallis Bench Goods',
  name: `compact frame hinge, ${overlay} overlay`,
  fit: 'frame',
  opening: 105,
  // With the cup 5 from the edge and no plate under it the arm reaches the overlay it is named for.
  arm: overlay - 5,
  plates: [0],
  plate: { apart: 20, setback: 12, diameter: 2.5, depth: 12 },
}));

export const hingeCatalogue: readonly HingeProfile[] = [
  ...family('Ostrel Fittings', 'ostrel-110', 110, {}),
  ...family('Wickmere Iron', 'wickmere-165', 165, {
    cup: { ...common.cup, least: 3, most: 6, depth: 13.5 },
    stock: false,
    gaps: [
      { thickness: 16, gap: 0 },
      { thickness: 26, gap: 0.8 },
    ],
    note: 'Simulated: wide angle, the open door stands clear of drawers behind it.',
  }),
  ...frameHinges,
];
