import { type Dim, length } from '../../ground/index.js';
import { dowel, fastenersAlong, type Operation } from '../../part/index.js';

/** Free below a tenon in its groove, and dowels of web frames: 8 thick, 10 deep in the rail, 20 in the cross member (mm). */
const SPARE = length(0.5, 'free below the tenon');
const DOWEL = { diameter: length(8, 'dowel'), inRail: length(10, 'in the rail'), inEnd: length(20, 'in the end') };

/** Wood between two holes (mm). */
const SKIN = 4;

export interface PlacedCross {
  readonly from: Dim;
  /** At which end of the rails it stands, if at one. */
  readonly end: 'low' | 'high' | undefined;
}

/** What a web frame's joinery follows from. */
export interface WebStock {
  readonly tenon: Dim;
  readonly member: Dim;
  readonly thickness: Dim;
  /** How far what fastens the ends of the rails reaches into them (mm). */
  readonly reach: number;
}

/** Tenons are a third as thick as the stock; dowels stand in the middle of it. */
const third = (thickness: Dim) => thickness.over(3).as('a third of the thickness');
const bored = ({ thickness }: WebStock) => ({
  offset: thickness.over(2).as('middle of the edge'),
  diameter: DOWEL.diameter,
  by: { kind: 'web', what: 'dowels' },
});

/** In a rail for its cross members: a groove for their stub tenons, or dowel holes where they have none. */
export function inRail(stock: WebStock, edge: 'v0' | 'v1', crosses: readonly PlacedCross[]): Operation {
  const { tenon, thickness } = stock;
  if (tenon.value > 0)
    return {
      kind: 'edge groove',
      edge,
      offset: third(thickness),
      width: third(thickness),
      depth: tenon.plus(SPARE).as('groove for the cross members'),
      reason: 'takes the cross members',
      by: { kind: 'web', what: 'groove' },
    };
  return {
    kind: 'edge holes',
    edge,
    positions: crosses.flatMap(({ from, end }) =>
      dowelsAcross(stock, end).map((at) => (from.value === 0 ? at : from.plus(at).as('dowel along the rail'))),
    ),
    depth: DOWEL.inRail,
    reason: 'dowels: holds the cross members',
    ...bored(stock),
  };
}

/** On both ends of a cross member: a stub tenon, or dowel holes, each for the rail there. */
export function onCross(
  stock: WebStock,
  at: PlacedCross['end'],
  rails: Readonly<Record<'u0' | 'u1', string>>,
): Operation[] {
  const { tenon, thickness } = stock;
  return (['u0', 'u1'] as const).map(
    (end): Operation =>
      tenon.value > 0
        ? {
            kind: 'tenon',
            end,
            length: tenon,
            offset: third(thickness),
            thickness: third(thickness),
            reason: 'stub tenon in the groove of the rail',
            by: { kind: 'web', what: 'tenon' },
          }
        : {
            kind: 'edge holes',
            edge: end,
            positions: dowelsAcross(stock, at),
            depth: DOWEL.inEnd,
            reason: 'dowels: held by the rails',
            ...bored(stock),
            fastens: dowel({ ...DOWEL, inFace: DOWEL.inRail }, rails[end]),
          },
  );
}

/** Two dowels across a cross member; at the end of the rails clear of what fastens these, one where two have no room. */
function dowelsAcross({ member, reach }: WebStock, end: PlacedCross['end']): Dim[] {
  const half = DOWEL.diameter.value / 2;
  const usual = fastenersAlong(member, { first: member, spacing: member, half });
  const [first, last] = usual;
  const least = reach + SKIN + half;
  if (!end || !first || !last || first.value >= least) return usual;
  const clear = length(least, 'clear of what fastens the end of the rail');
  const pair = last.value - least < 2 * half + SKIN ? [last] : [clear, last];
  return end === 'low' ? pair : pair.map((at) => member.minus(at).as('position across the cross member')).reverse();
}
