import type { ResolvedSettings } from '../../decisions/index.js';
import { type Dim, length, measuredFrom, smallest } from '../../ground/index.js';
import {
  type By,
  type EdgeReference,
  edgeOf,
  fastenersAlong,
  type Operation,
  type Part,
  POCKET,
  pocketScrew,
  SAME_PLANE,
  SCREW_WAY,
  withMore,
} from '../../part/index.js';

/** A mortise is this much deeper than its tenon, and a tenon at a corner this far in from the end of what it enters (mm). */
const SPARE = length(1.5, 'free below the tenon');
const AT_CORNER = length(10, 'tenon in from the corner');

/** What is cut and bored in the members of a frame, and the lines screws take in them, by part key. */
export interface FrameJoinery {
  readonly parts: readonly Part[];
  readonly screwLines: readonly (readonly [key: string, operation: Operation])[];
}

/**
 * Rails and middle stiles end on other members: with mortise and tenon, a third of the thickness, shoulders on both sides;
 * or with pocket screws from the back, two where the member is 38 wide or wider.
 */
export function joinFrame(members: readonly Part[], settings: ResolvedSettings): FrameJoinery {
  const cut = new Map<string, Operation[]>();
  const screwLines: [string, Operation][] = [];
  const add = (part: Part, operation: Operation) => {
    const list = cut.get(part.key);
    if (list) list.push(operation);
    else cut.set(part.key, [operation]);
  };
  // Outer stiles run through.
  for (const member of members.filter(({ hand }) => hand === undefined))
    for (const end of ['u0', 'u1'] as const) {
      const meets = members.find((other) => receives(other, member, end));
      if (!meets) continue;
      if (settings.frame.tenon.value > 0) {
        const { tenon, mortise } = tenonAt(member, end, meets, settings.frame.tenon);
        add(member, tenon);
        add(meets, mortise);
      } else {
        const { pockets, way } = pocketsAt(member, end, meets, settings);
        add(member, pockets);
        screwLines.push([meets.key, way]);
      }
    }
  return {
    parts: members.map((part) => {
      const more = cut.get(part.key);
      return withMore(part, more);
    }),
    screwLines,
  };
}

/** True when a member ends on an edge of another, or enters it there. */
function receives(other: Part, member: Part, end: 'u0' | 'u1'): boolean {
  if (other === member || other.placement.u === member.placement.u) return false;
  const [along, across] = member.placement.u === '+x' ? ([0, 2] as const) : ([2, 0] as const);
  const middle = (member.extent.min[across] + member.extent.max[across]) / 2;
  if (middle < other.extent.min[across] || middle > other.extent.max[across]) return false;
  const tip = end === 'u0' ? member.extent.min[along] : member.extent.max[along];
  return tip > other.extent.min[along] - SAME_PLANE && tip < other.extent.max[along] + SAME_PLANE;
}

/** The edge of a member that another ends on: the one nearer to that other. */
const edgeFor = (end: 'u0' | 'u1'): EdgeReference => (end === 'u0' ? 'v1' : 'v0');

const byFrame = (what: string): By => ({ kind: 'frame', what });

/** Where a member begins along another that it meets. */
function along(member: Part, meets: Part): Dim {
  return measuredFrom(edgeOf(member, 'v0'), edgeOf(meets, 'u0'));
}

function tenonAt(member: Part, end: 'u0' | 'u1', meets: Part, tenon: Dim): { tenon: Operation; mortise: Operation } {
  const third = member.thickness.over(3).as('a third of the thickness');
  const inset = smallest(AT_CORNER, member.width.over(3).as('a third of the width'));
  const begins = along(member, meets);
  const atStart = Math.abs(begins.value) < SAME_PLANE;
  const atEnd = Math.abs(begins.value + member.width.value - meets.length.value) < SAME_PLANE;
  const insets = [...(atStart ? [inset] : []), ...(atEnd ? [inset] : [])];
  const wide = insets.reduce((size, each) => size.minus(each), member.width).as('width of the tenon');
  const from = atStart ? begins.plus(inset) : begins;
  const reason = `${member.name.toLowerCase()} is held by ${meets.name.toLowerCase()}`;
  return {
    tenon: {
      kind: 'tenon',
      end,
      length: tenon,
      offset: third,
      thickness: third,
      ...(insets.length > 0 ? { inset: { ...(atStart ? { v0: inset } : {}), ...(atEnd ? { v1: inset } : {}) } } : {}),
      reason,
      by: byFrame('tenon'),
    },
    mortise: {
      kind: 'slots',
      place: { edge: edgeFor(end) },
      offset: member.thickness.over(2).as('middle of the thickness'),
      positions: [from.plus(wide.over(2)).as('middle of the mortise')],
      length: wide,
      thickness: third,
      depth: tenon.plus(SPARE).as('mortise depth'),
      reason: `mortise: ${reason}`,
      by: byFrame('mortise'),
      holds: member.key,
    },
  };
}

function pocketsAt(
  member: Part,
  end: 'u0' | 'u1',
  meets: Part,
  { fasteners }: ResolvedSettings,
): { pockets: Operation; way: Operation } {
  const positions = fastenersAlong(member.width, {
    first: fasteners.first,
    spacing: fasteners.pocketSpacing,
    half: POCKET.width / 2,
  });
  const begins = along(member, meets);
  const reason = `${member.name.toLowerCase()} to ${meets.name.toLowerCase()}`;
  return {
    pockets: {
      kind: 'pockets',
      face: 2,
      edge: end,
      positions,
      plugged: false,
      reason: `pocket screws: ${reason}`,
      by: byFrame('members'),
      holds: meets.key,
      fastens: pocketScrew(member.thickness, fasteners, meets.key, true),
    },
    way: {
      kind: 'edge holes',
      edge: edgeFor(end),
      offset: meets.thickness.over(2).as('middle of the edge'),
      positions: positions.map((at) => (begins.value === 0 ? at : begins.plus(at).as('position along the member'))),
      diameter: SCREW_WAY,
      depth: fasteners.pocketReach,
      reason: `way of the pocket screws: ${reason}`,
      by: byFrame('way'),
    },
  };
}
