import { SIMULATED } from '../profile.js';
import type { ConcealedProfile, HingeProfile, LeafProfile } from './profile.js';

/** A small simulated catalogue of invented makers, to work with until a shop has entered its own. */

const counts = {
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
};

/** A least-gap table as a maker would print it: of a door that turns about one point, to a tenth. */
function gapTable(turn: ConcealedProfile['turn'], offsets: readonly number[]): ConcealedProfile['gaps'] {
  return [16, 18, 20, 22, 24, 26].map((thickness) => ({
    thickness,
    at: offsets.map((offset) => {
      const inward = offset + turn.beyondCup;
      // A face that lies behind the turning point only moves away from what is beside it.
      const before = Math.max(0, thickness - turn.beforeBack);
      const swing = Math.hypot(inward, before) - inward;
      return { offset, gap: Math.round(swing * 10) / 10 };
    }),
  }));
}

const standard = { beyondCup: 7, beforeBack: 13.5 };
// Turning beside the cup in the plane of its face, the open door ends up wholly before the side and lies on nothing beside it.
const wide = { beyondCup: 0, beforeBack: 18 };

const concealed = {
  ...counts,
  family: 'concealed',
  carcass: ['frameless'],
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
  body: { behind: 62, height: 54, out: 22 },
  turn: standard,
  sideAdjust: 2,
  heightAdjust: 2,
  depthAdjust: 2,
  gaps: gapTable(standard, [3, 4, 5, 6, 7]),
  note: SIMULATED,
} satisfies Partial<ConcealedProfile>;

const ARMS = [
  { end: 'full', fits: ['full'], arm: 12.5, crank: 'straight' },
  { end: 'half', fits: ['half'], arm: 4, crank: 'half cranked' },
  { end: 'inset', fits: ['inset', 'lipped'], arm: -4.5, crank: 'cranked' },
] as const;

function family(maker: string, id: string, opening: number, more: Partial<ConcealedProfile>): ConcealedProfile[] {
  return ARMS.map(({ end, fits, arm, crank }) => ({
    ...concealed,
    carcass: [...concealed.carcass],
    id: `${id}-${end}`,
    maker,
    name: `${opening}° ${crank}`,
    fits: [...fits],
    opening,
    arm,
    ...more,
  }));
}

const frameHinges: ConcealedProfile[] = [10, 13, 16].map((overlay) => ({
  ...concealed,
  family: 'compact',
  id: `tallis-frame-${overlay}`,
  maker: 'Tallis Bench Goods',
  name: `compact frame hinge, ${overlay} overlay`,
  carcass: ['frame'],
  fits: ['full'],
  opening: 105,
  // With the cup 5 from the edge and no plate under it the arm reaches the overlay it is named for.
  arm: overlay - 5,
  plates: [0],
  plate: { apart: 20, setback: 12, diameter: 2.5, depth: 12 },
  body: { behind: 40, height: 46, out: 16 },
}));

const leaf = {
  ...counts,
  carcass: ['frameless', 'frame'],
  closing: 'free',
  stock: true,
  note: SIMULATED,
} satisfies Partial<LeafProfile>;

const leafHinges: LeafProfile[] = [
  ...[50, 64].map(
    (length): LeafProfile => ({
      ...leaf,
      carcass: [...leaf.carcass],
      family: 'butt',
      id: `corran-butt-${length}`,
      maker: 'Corran Brassware',
      name: `butt, ${length} long`,
      fits: ['inset'],
      opening: 180,
      leaf: {
        length,
        width: length === 50 ? 14 : 16,
        thickness: 1.8,
        knuckle: 5.5,
        closed: 4.6,
        screws: 3,
        pilot: 2,
        pilotDepth: 16,
      },
    }),
  ),
  {
    ...leaf,
    carcass: [...leaf.carcass],
    family: 'noMortise',
    id: 'corran-flush-60',
    maker: 'Corran Brassware',
    name: 'no-mortise butt, 60 long',
    fits: ['inset'],
    opening: 180,
    leaf: { length: 60, width: 14, thickness: 1.5, knuckle: 4.5, closed: 1.7, screws: 3, pilot: 2, pilotDepth: 16 },
  },
  {
    ...leaf,
    family: 'semi',
    id: 'tallis-lip-57',
    maker: 'Tallis Bench Goods',
    name: 'semi-concealed for lipped doors, 57 long',
    carcass: ['frame'],
    fits: ['lipped'],
    opening: 170,
    closing: 'snap',
    leaf: { length: 57, width: 18, thickness: 1.5, knuckle: 6, closed: 3, screws: 2, pilot: 2, pilotDepth: 12 },
  },
];

export const hingeCatalogue: readonly HingeProfile[] = [
  ...family('Ostrel Fittings', 'ostrel-110', 110, {}),
  ...family('Wickmere Iron', 'wickmere-165', 165, {
    cup: { ...concealed.cup, least: 3, most: 6, depth: 13.5 },
    stock: false,
    turn: wide,
    gaps: gapTable(wide, [3, 4, 5, 6]),
    body: { ...concealed.body, behind: 70, out: 30 },
    note: 'Simulated: wide angle, the fully open door stands clear of drawers behind it.',
  }),
  ...frameHinges,
  ...leafHinges,
];
