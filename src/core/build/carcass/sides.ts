import { madeOf, sidesOf } from '../../decisions/index.js';
import { type Dim, length, START, spanFrom, spanTo } from '../../ground/index.js';
import { type Band, bandsOn, makePart, type Notch, type Operation, type Part } from '../../part/index.js';
import { type BuildContext, type Builder, caseBands } from '../builder/index.js';
import type { Joint } from '../joints/index.js';
import { insideOf } from '../layout/index.js';
import { backRecess } from './back.js';
import { leftForTrimming } from './movement.js';

/** Left and right side. They stand on the bottom when it lies under them, and reach the floor when there is no base. */
export const sides: Builder = (context) => {
  const { box, resolved } = context;
  const { materials, settings } = resolved;
  const made = sidesOf(resolved);
  const start = box.bottomUnder
    ? materials.bottom.thickness.minus(box.engagement.bottom).as('lower end of the sides')
    : length(0, 'lower end of the sides');
  const end = box.topOver
    ? box.height
        .minus(madeOf(resolved, 'top', 'top').thickness)
        .plus(box.engagement.top)
        .as('upper end of the sides')
    : box.height.as('upper end of the sides');
  const sideLength = start.value === 0 ? end : end.minus(start);
  const tongue =
    settings.frame.fitted.value === 'fitted' && settings.frame.attachment.value === 'tongue'
      ? settings.frame.tongue
      : undefined;
  const front = tongue ? length(0).minus(tongue).as('front of the sides') : length(0, 'front of the sides');
  const y = spanFrom(front, tongue ? box.sideDepth.plus(tongue) : box.sideDepth);
  const z = { low: start, high: end, size: sideLength };
  const side = (hand: 'left' | 'right'): Part => {
    const { material, thickness } = made[hand];
    return makePart({
      key: `side/${hand}`,
      name: `Side, ${hand}`,
      role: 'side',
      material,
      bands: [...caseBands(resolved), ...underside(context)],
      ...leftForTrimming(material, settings),
      hand,
      stands: { x: hand === 'left' ? spanFrom(START, thickness) : spanTo(box.width, thickness), y, z },
      axes: { u: '+z', v: '+y', w: hand === 'left' ? '-x' : '+x' },
      receives: true,
      machining: [...backRecess(context, 'side'), ...toeNotch(context, hand, tongue)],
      ...(tongue ? { note: 'tongue on the front edge for the frame' } : {}),
    });
  };
  return { parts: [side('left'), side('right')], joints: [...standOn(context, 'u0'), ...standOn(context, 'u1')] };
};

/** The lower edge of a wall cabinet's side, where it is seen and banded. */
function underside({ cabinet, box, resolved }: BuildContext): readonly Band[] {
  const { banding } = resolved.settings;
  if (cabinet.kind !== 'wall' || box.bottomUnder || banding.undersides.value === 'none') return [];
  return bandsOn(['u0'], banding.caseThickness, banding.preMilling);
}

/** Where the sides stand on the bottom, or carry a top laid over them, they are the ones that join. */
function standOn({ box, resolved }: BuildContext, end: 'u0' | 'u1'): Joint[] {
  const below = end === 'u0';
  if (below ? !box.bottomUnder : !box.topOver) return [];
  const where = below ? 'bottom' : 'top';
  const plane = below ? box.bottomTop.value : box.topUnderside.value;
  const made = sidesOf(resolved);
  return (['left', 'right'] as const).map((hand) => ({
    normal: 'z',
    plane,
    level: hand === 'left' ? length(0, 'left face of the box') : insideOf(box, resolved).h.high,
    thickness: made[hand].thickness,
    front: length(0),
    depth: box.sideDepth,
    kind: resolved.settings.joints[where].value,
    engagement: box.engagement[where],
    member: { key: `side/${hand}`, end, pocketFace: 1, pocketsShow: true },
    reason: `the ${hand} side stands ${below ? 'on' : 'under'} it`,
    holds: `side/${hand}`,
  }));
}

/**
 * The toe is cut out of the lower front corner: as high as the toe, as deep as its setback and, where the board runs
 * over the sides, the board. An exposed side keeps the board behind it and shows only the setback.
 */
function toeNotch({ box, resolved }: BuildContext, hand: 'left' | 'right', tongue: Dim | undefined): Operation[] {
  const { toe } = resolved.settings;
  if (toe.kind.value !== 'notched' || box.bottomUnder) return [];
  const over = toe.board.value === 'over' && resolved.given[hand].what !== 'exposed';
  const depth: Dim = over
    ? toe.setback.plus(resolved.materials.toe.thickness).as('notch depth')
    : toe.setback.as('notch depth');
  const notch: Notch = {
    kind: 'notch',
    corner: ['u0', 'v0'],
    alongLength: toe.height.as('notch height'),
    // On a side with a tongue it is measured from the tongue's edge.
    alongWidth: tongue ? depth.plus(tongue).as('notch depth from the edge of the tongue') : depth,
    reason: over ? 'toe space, with the board over the sides' : 'toe space',
    by: { kind: 'toe' },
    holds: 'toe/board',
  };
  return [notch];
}
