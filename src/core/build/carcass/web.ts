import type { ResolvedSettings } from '../../decisions/index.js';
import { type Dim, decidedHere, plain, type Span, START, spanFrom, spanTo } from '../../ground/index.js';
import { makePart, type Part } from '../../part/index.js';
import { across, type BuildContext, type BuilderResult, kindOf } from '../builder/index.js';
import { type Joint, jointOf } from '../joints/index.js';
import type { Region } from '../layout/index.js';
import { clearDepthAt } from './crossings.js';
import { shrinkage } from './movement.js';
import { inRail, onCross } from './webJoinery.js';

export interface WebFrameDraft {
  readonly key: string;
  readonly name: string;
  readonly region: Region['inside'];
  readonly underside: Dim;
  /** Where it begins, where that is not the carcass edge. */
  readonly front?: Dim;
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
  const from = draft.front ?? START;
  const rear = shrink ? clear.minus(shrink) : clear;
  const frameDepth = (from.value > 0 ? rear.minus(from) : rear).as(`${draft.name.toLowerCase()} depth`);
  const allowance = web.allowance;
  const extraWidth = allowance.over(2).as('half the allowance');
  const note = shrink
    ? 'glue the front 75 to 100 only; the rear runs dry so that the solid sides can move'
    : 'trimmed after glue-up';
  const crossLength = frameDepth.minus(web.member.times(2)).plus(web.tenon.times(2));
  const count = crossMembersIn(frameWidth, web).value;
  const pitch = frameWidth.minus(web.member).over(plain(count - 1, 'spaces'));
  const places = Array.from({ length: count }, (_, at) => (at === 0 ? START : pitch.times(at)));
  const { kind, standard } = kindOf(jointSettings[draft.where]);
  const stock = {
    tenon: web.tenon,
    member: web.member,
    thickness,
    reach: jointOf(kind).fastened?.reach(resolved) ?? 0,
  };
  const placed = places.map(
    (along, at) => ({ from: along, end: at === 0 ? 'low' : at === count - 1 ? 'high' : undefined }) as const,
  );
  const rail = (where: 'front' | 'rear', y: Span): Part =>
    makePart({
      key: `${draft.key}/rail/${where}`,
      name: `${draft.name} rail`,
      role: 'web',
      unit: draft.key,
      material,
      allowance: { length: allowance, width: extraWidth },
      stands: { x: { ...run, size: frameWidth }, y, z },
      axes: { u: '+x', v: '+y', w: '-z' },
      receives: true,
      piece: { kind: 'rail', where },
      machining: [inRail(stock, where === 'front' ? 'v1' : 'v0', placed)],
      note,
    });
  const inRails = web.member.minus(web.tenon);
  const crosses = placed.map(({ from: along, end }, at) =>
    makePart({
      key: `${draft.key}/cross/${at + 1}`,
      name: `${draft.name} cross member`,
      role: 'web',
      unit: draft.key,
      material,
      allowance: { width: extraWidth },
      stands: {
        x: spanFrom(at === 0 ? run.low : run.low.plus(along), web.member),
        y: spanFrom(from.value > 0 ? from.plus(inRails) : inRails, crossLength),
        z,
      },
      axes: { u: '+y', v: '+x', w: '-z' },
      piece: { kind: 'cross' },
      machining: onCross(stock, end, { u0: `${draft.key}/rail/front`, u1: `${draft.key}/rail/rear` }),
      note,
    }),
  );
  const rails = { front: spanFrom(from, web.member), rear: spanTo(from.value > 0 ? rear : frameDepth, web.member) };
  const joint = (side: 'low' | 'high', depth: Span, member?: Joint['member']): Joint => ({
    normal: 'x',
    plane: h[side].value,
    level: draft.underside,
    thickness,
    front: depth.low,
    depth: depth.size,
    kind,
    standard,
    engagement,
    ...(member ? { member } : {}),
    reason: `carries the ${draft.name.toLowerCase()}`,
    holds: draft.key,
  });
  const cornerOf = (side: 'low' | 'high') => ({ key: `${draft.key}/rail/front`, end: ENDS[side] });
  // In a dado it lies as a whole; else each rail is fastened by its ends, in solid sides the front one only.
  const fastened = shrink ? (['front'] as const) : (['front', 'rear'] as const);
  const joints = (['low', 'high'] as const).flatMap((side): Joint[] =>
    !jointOf(kind).fastened
      ? [{ ...joint(side, spanFrom(from, frameDepth)), corner: cornerOf(side) }]
      : fastened.map((where) =>
          joint(side, rails[where], {
            key: `${draft.key}/rail/${where}`,
            end: ENDS[side],
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

/**
 * How many cross members a frame gets: what is decided here, else so many of the standard that as much as half a member
 * stays open between two of them, two at least.
 */
export function crossMembersIn(width: Dim, { member, crossMembers }: ResolvedSettings['web']): Dim {
  const room = Math.max(2, Math.floor((width.value + member.value / 2) / (member.value * 1.5) + 1e-9));
  if (decidedHere(crossMembers) || room >= crossMembers.value) return crossMembers;
  return plain(room, 'cross members').because('the frame is too narrow for more');
}

const ENDS = { low: 'u0', high: 'u1' } as const;
