import { type Dim, length, plain, type Span, START, spanFrom, spanTo } from '../derive/index.js';
import type { Region } from '../layout/index.js';
import { makePart, type Part } from '../parts/index.js';
import { across, type BuildContext, type BuilderResult, type Joint } from './build.js';
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
export function webFrame({ box, resolved }: BuildContext, draft: WebFrameDraft): BuilderResult {
  const { web, joints: jointSettings } = resolved.settings;
  const { material, thickness } = resolved.materials.web;
  const engagement = box.engagement[draft.where];
  const { h } = draft.region;
  const run = across(h, engagement, draft.name);
  const frameWidth = run.size.as(`${draft.name.toLowerCase()} width`);
  const shrink = shrinkage(box.sideDepth, resolved.materials.side.material, resolved.settings);
  const frameDepth = (shrink ? box.clearDepth.minus(shrink) : box.clearDepth).as(`${draft.name.toLowerCase()} depth`);
  const z = spanFrom(draft.underside, thickness);
  const allowance = web.allowance;
  const extraWidth = allowance.over(2).as('half the allowance');
  const note = shrink
    ? 'glue the front 75 to 100 only; the rear runs dry so that the solid sides can move'
    : 'trimmed after glue-up';
  const rail = (where: 'front' | 'rear', y: Span): Part =>
    makePart({
      key: `${draft.key}/rail/${where}`,
      name: `${draft.name} rail`,
      role: 'web',
      material,
      allowance: { length: allowance, width: extraWidth },
      stands: { x: { ...run, size: frameWidth }, y, z },
      axes: { u: '+x', v: '+y', w: '-z' },
      piece: { kind: 'rail', where },
      note,
    });
  const crossLength = frameDepth.minus(web.member.times(2)).plus(web.tenon.times(2));
  const count = web.crossMembers.mm;
  const pitch = frameWidth.minus(web.member).over(plain(count - 1, 'spaces'));
  const crosses = Array.from({ length: count }, (_, at) =>
    makePart({
      key: `${draft.key}/cross/${at + 1}`,
      name: `${draft.name} cross member`,
      role: 'web',
      material,
      allowance: { width: extraWidth },
      stands: {
        x: spanFrom(at === 0 ? run.low : run.low.plus(pitch.times(at)), web.member),
        y: spanFrom(web.member.minus(web.tenon), crossLength),
        z,
      },
      axes: { u: '+y', v: '+x', w: '-z' },
      piece: { kind: 'cross' },
      note,
    }),
  );
  const joints = (['low', 'high'] as const).map(
    (side): Joint => ({
      normal: 'x',
      plane: h[side].mm,
      level: draft.underside,
      thickness,
      front: length(0),
      depth: frameDepth,
      kind: jointSettings[draft.where].value,
      engagement,
      reason: `carries the ${draft.name.toLowerCase()}`,
      holds: draft.key,
    }),
  );
  return {
    parts: [rail('front', spanFrom(START, web.member)), rail('rear', spanTo(frameDepth, web.member)), ...crosses],
    joints,
  };
}
