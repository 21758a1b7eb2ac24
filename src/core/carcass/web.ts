import { type Dim, length, plain, type Span, START, spanFrom, spanTo } from '../derive/index.js';
import type { JointKind, Resolved } from '../document/index.js';
import type { Region } from '../layout/index.js';
import { fastenersAlong, type Operation } from '../machining/index.js';
import { makePart, type Part } from '../parts/index.js';
import { across, type BuildContext, type BuilderResult, type Joint } from './build.js';
import { clearDepthAt } from './crossings.js';
import { shrinkage } from './movement.js';

export interface WebFrameDraft {
  readonly key: string;
  readonly name: string;
  readonly region: Region['inside'];
  readonly underside: Dim;
  /** Which joint it uses. */
  readonly where: 'top' | 'shelf';
}

/**
 * A web frame: two long rails and n cross members, glued up oversize and trimmed. Frame width = clear width + how far
 * it enters each upright; cross member = frame depth − 2 · member width + 2 · tenon. Rough stock carries the allowance:
 * members are half of it wider, long rails the whole of it longer, cross members' length unchanged.
 */
export function webFrame({ box, resolved, crossings }: BuildContext, draft: WebFrameDraft): BuilderResult {
  const { web, joints: jointSettings } = resolved.settings;
  const { material, thickness } = resolved.materials.web;
  const engagement = box.engagement[draft.where];
  const { h } = draft.region;
  const run = across(h, engagement, draft.name);
  const frameWidth = run.size.as(`${draft.name.toLowerCase()} width`);
  const shrink = shrinkage(box.sideDepth, resolved.materials.side.material, resolved.settings);
  const z = spanFrom(draft.underside, thickness);
  const clear = clearDepthAt(box, crossings, z);
  const frameDepth = (shrink ? clear.minus(shrink) : clear).as(`${draft.name.toLowerCase()} depth`);
  const allowance = web.allowance;
  const extraWidth = allowance.over(2).as('half the allowance');
  const note = shrink
    ? 'glue the front 75 to 100 only; the rear runs dry so that the solid sides can move'
    : 'trimmed after glue-up';
  const crossLength = frameDepth.minus(web.member.times(2)).plus(web.tenon.times(2));
  const count = web.crossMembers.mm;
  const pitch = frameWidth.minus(web.member).over(plain(count - 1, 'spaces'));
  const places = Array.from({ length: count }, (_, at) => (at === 0 ? START : pitch.times(at)));
  const kind = jointSettings[draft.where].value;
  const joinery = crossJoinery(web.tenon, web.member, thickness, endReach(kind, resolved));
  const placed = places.map(
    (from, at) => ({ from, end: at === 0 ? 'low' : at === count - 1 ? 'high' : undefined }) as const,
  );
  const rail = (where: 'front' | 'rear', y: Span): Part =>
    makePart({
      key: `${draft.key}/rail/${where}`,
      name: `${draft.name} rail`,
      role: 'web',
      material,
      allowance: { length: allowance, width: extraWidth },
      stands: { x: { ...run, size: frameWidth }, y, z },
      axes: { u: '+x', v: '+y', w: '-z' },
      receives: true,
      piece: { kind: 'rail', where },
      machining: joinery.rail(where === 'front' ? 'v1' : 'v0', placed),
      note,
    });
  const crosses = placed.map(({ from, end }, at) =>
    makePart({
      key: `${draft.key}/cross/${at + 1}`,
      name: `${draft.name} cross member`,
      role: 'web',
      material,
      allowance: { width: extraWidth },
      stands: {
        x: spanFrom(at === 0 ? run.low : run.low.plus(from), web.member),
        y: spanFrom(web.member.minus(web.tenon), crossLength),
        z,
      },
      axes: { u: '+y', v: '+x', w: '-z' },
      piece: { kind: 'cross' },
      machining: joinery.cross(end),
      note,
    }),
  );
  const rails = { front: spanFrom(START, web.member), rear: spanTo(frameDepth, web.member) };
  const joint = (side: 'low' | 'high', depth: Span, member?: Joint['member']): Joint => ({
    normal: 'x',
    plane: h[side].mm,
    level: draft.underside,
    thickness,
    front: depth.low,
    depth: depth.size,
    kind,
    engagement,
    ...(member ? { member } : {}),
    reason: `carries the ${draft.name.toLowerCase()}`,
    holds: draft.key,
  });
  // In a dado it lies as a whole; else each rail is fastened by its ends, in solid sides the front one only.
  const fastened = shrink ? (['front'] as const) : (['front', 'rear'] as const);
  const joints = (['low', 'high'] as const).flatMap((side): Joint[] =>
    kind === 'dado' || kind === 'rabbet'
      ? [joint(side, spanFrom(START, frameDepth))]
      : fastened.map((where) =>
          joint(side, rails[where], {
            key: `${draft.key}/rail/${where}`,
            end: side === 'low' ? 'u0' : 'u1',
            pocketFace: 2,
            pocketsShow: false,
          }),
        ),
  );
  return {
    parts: [rail('front', rails.front), rail('rear', rails.rear), ...crosses],
    joints,
  };
}

/** Free below a tenon in its groove, and dowels of web frames: 8 thick, 10 deep in the rail, 20 in the cross member (mm). */
const SPARE = length(0.5, 'free below the tenon');
const DOWEL = { diameter: length(8, 'dowel'), inRail: length(10, 'in the rail'), inEnd: length(20, 'in the end') };

/** How far what fastens the end of a rail to an upright reaches into the rail (mm). */
function endReach(kind: JointKind, { settings, materials }: Resolved): number {
  const { fasteners } = settings;
  switch (kind) {
    case 'dowels':
      return fasteners.dowelInEnd.mm;
    case 'tenons':
      return fasteners.tenonDepth.mm;
    case 'screws':
      return Math.max(0, fasteners.screwLength.mm - materials.side.thickness.mm);
    case 'pocket':
      return POCKET;
    default:
      return 0;
  }
}

/** A pocket hole reaches so far into its part (mm); and wood between two holes. */
const POCKET = 40;
const SKIN = 4;

interface PlacedCross {
  readonly from: Dim;
  /** At which end of the rails it stands, if at one. */
  readonly end: 'low' | 'high' | undefined;
}

/** Cross members enter grooved rails with stub tenons a third as thick as the stock; without tenons they are dowelled. */
function crossJoinery(tenon: Dim, member: Dim, thickness: Dim, reach: number) {
  const ends = ['u0', 'u1'] as const;
  if (tenon.mm > 0) {
    const third = thickness.over(3).as('a third of the thickness');
    const by = { kind: 'web', what: 'tenon' };
    const rail = (edge: 'v0' | 'v1', _crosses: readonly PlacedCross[]): Operation[] => [
      {
        kind: 'edge groove',
        edge,
        offset: third,
        width: third,
        depth: tenon.plus(SPARE).as('groove for the cross members'),
        reason: 'takes the cross members',
        by: { kind: 'web', what: 'groove' },
      },
    ];
    const cross = (_end: PlacedCross['end']): Operation[] =>
      ends.map(
        (end): Operation => ({
          kind: 'tenon',
          end,
          length: tenon,
          offset: third,
          thickness: third,
          reason: 'stub tenon in the groove of the rail',
          by,
        }),
      );
    return { rail, cross };
  }
  const offset = thickness.over(2).as('middle of the edge');
  const bored = { offset, diameter: DOWEL.diameter, by: { kind: 'web', what: 'dowels' } };
  const rail = (edge: 'v0' | 'v1', crosses: readonly PlacedCross[]): Operation[] => [
    {
      kind: 'edge holes',
      edge,
      positions: crosses.flatMap(({ from, end }) =>
        dowelsAcross(member, end, reach).map((at) => (from.mm === 0 ? at : from.plus(at).as('dowel along the rail'))),
      ),
      depth: DOWEL.inRail,
      reason: 'dowels: holds the cross members',
      ...bored,
    },
  ];
  const cross = (at: PlacedCross['end']): Operation[] =>
    ends.map(
      (edge): Operation => ({
        kind: 'edge holes',
        edge,
        positions: dowelsAcross(member, at, reach),
        depth: DOWEL.inEnd,
        reason: 'dowels: held by the rails',
        ...bored,
      }),
    );
  return { rail, cross };
}

/** Two dowels across a cross member; at the end of the rails clear of what fastens these, one where two have no room. */
function dowelsAcross(member: Dim, end: PlacedCross['end'], reach: number): Dim[] {
  const half = DOWEL.diameter.mm / 2;
  const usual = fastenersAlong(member, { first: member, spacing: member, half });
  const [first, last] = usual;
  const least = reach + SKIN + half;
  if (!end || !first || !last || first.mm >= least) return usual;
  const clear = length(least, 'clear of what fastens the end of the rail');
  const pair = last.mm - least < 2 * half + SKIN ? [last] : [clear, last];
  return end === 'low' ? pair : pair.map((at) => member.minus(at).as('position across the cross member')).reverse();
}
