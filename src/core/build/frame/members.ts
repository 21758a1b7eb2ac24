import { type Resolved, sidesOf } from '../../decisions/index.js';
import { type Dim, length, longer, type Span, START, spanFrom, spanTo } from '../../ground/index.js';
import { type Axes, makePart, type Operation, type Part, type Piece } from '../../part/index.js';
import type { BuildContext, Builder } from '../builder/index.js';
import { type Boundary, type Box, frameOpening, stileWidth } from '../layout/index.js';
import { joinFrame } from './joinery.js';

export interface FrameSizes {
  readonly width: Dim;
  readonly height: Dim;
  /** Lower edge of the frame, from the underside of the box. */
  readonly foot: Dim;
  /** Between the stiles. */
  readonly opening: Dim;
  /** Inner frame edge to inner face of the side; negative when the side stands in the opening. */
  readonly packingLeft: Dim;
  readonly packingRight: Dim;
}

/**
 * Frame width = box width + both overhangs = the overall width. The bottom rail's upper edge lies a lip above the floor
 * of the box, so the frame drops below it by bottom rail − lip − bottom thickness. Packing = stile − overhang − side.
 */
export function frameSizes(box: Box, resolved: Resolved): FrameSizes {
  const { settings } = resolved;
  const { frame } = settings;
  const sides = sidesOf(resolved);
  const foot = box.bottomTop.plus(frame.lip).minus(frame.bottomRail).as('foot of the frame');
  const packing = (stile: Dim, beyond: Dim, end: 'left' | 'right') =>
    stile.minus(beyond).minus(sides[end].thickness).as(`packing behind the frame, ${end}`);
  return {
    width: box.overallWidth.as('frame width'),
    height: box.height.plus(frame.rise).minus(foot).as('frame height'),
    foot,
    opening: frameOpening(box, resolved).size,
    packingLeft: packing(stileWidth('left', resolved), box.beyondLeft, 'left'),
    packingRight: packing(stileWidth('right', resolved), box.beyondRight, 'right'),
  };
}

/** A stile that goes on further than this beyond the side is backed (mm). */
const BACKED_FROM = 50;

/** Stiles run the full height, rails between them; middle stiles between rails. */
export const faceFrame: Builder = (context) => {
  if (context.resolved.settings.frame.fitted.value !== 'fitted') return {};
  const frame = new Frame(context);
  const members = [
    frame.stile('left'),
    frame.stile('right'),
    frame.rail('top'),
    ...context.face.map((each) => frame.middle(each)),
    frame.rail('bottom'),
  ];
  return joinFrame(members, context.resolved.settings);
};

class Frame {
  private readonly sizes: FrameSizes;

  constructor(private readonly context: BuildContext) {
    this.sizes = frameSizes(context.box, context.resolved);
  }

  stile(hand: 'left' | 'right'): Part {
    const { box, resolved } = this.context;
    const { frame } = resolved.settings;
    const { what } = resolved.given[hand];
    const width = stileWidth(hand, resolved);
    const x =
      hand === 'left'
        ? spanFrom(length(0).minus(box.beyondLeft), width)
        : spanTo(box.beyondRight.value === 0 ? box.width : box.width.plus(box.beyondRight), width);
    const wall = what === 'wall';
    const beyond = hand === 'left' ? box.beyondLeft : box.beyondRight;
    const notes = [
      ...(wall
        ? [frame.wallStile.value === 'wider' ? 'wider by what is scribed to the wall' : 'the scribe lies within it']
        : []),
      ...(what === 'exposed' ? ['leave slightly proud and trim flush'] : []),
      ...(beyond.value > BACKED_FROM ? ['back it with a strip on the side or a cleat on the wall'] : []),
    ];
    return this.member({
      key: `frame/stile/${hand}`,
      name: `Stile, ${hand}`,
      x,
      z: spanFrom(this.sizes.foot, this.sizes.height),
      piece: { kind: 'stile', where: hand },
      hand,
      machining: this.tongueGroove(hand),
      note: notes.join('; '),
    });
  }

  /** The groove in the back of a stile for the tongue on the side: from its outer edge, as wide as the side. */
  private tongueGroove(hand: 'left' | 'right'): Operation[] {
    const { box, resolved } = this.context;
    const { frame } = resolved.settings;
    if (frame.attachment.value !== 'tongue') return [];
    return [
      {
        kind: 'groove',
        face: 2,
        along: 'length',
        from: hand === 'left' ? 'v0' : 'v1',
        offset: (hand === 'left' ? box.beyondLeft : box.beyondRight).as('outer edge of the side'),
        width: sidesOf(resolved)[hand].thickness,
        depth: frame.tongue,
        reason: 'takes the tongue of the side',
        by: { kind: 'frame' },
        holds: `side/${hand}`,
      },
    ];
  }

  rail(which: 'top' | 'bottom'): Part {
    const { box, resolved } = this.context;
    const { frame } = resolved.settings;
    const width = which === 'top' ? frame.topRail : frame.bottomRail;
    return this.member({
      key: `frame/rail/${which}`,
      name: `Rail, ${which}`,
      x: this.withTenons(frameOpening(box, resolved)),
      z: which === 'top' ? spanTo(this.sizes.foot.plus(this.sizes.height), width) : spanFrom(this.sizes.foot, width),
      piece: { kind: 'rail', where: which },
    });
  }

  middle({ axis, after, within, clear }: Boundary): Part {
    const { frame } = this.context.resolved.settings;
    if (axis === 'rows')
      return this.member({
        key: `frame/rail/${after}`,
        name: 'Middle rail',
        x: this.withTenons(within.clear.h),
        z: { ...clear, size: frame.midRail },
        piece: { kind: 'rail', where: 'middle' },
      });
    return this.member({
      key: `frame/stile/${after}`,
      name: 'Middle stile',
      x: { ...clear, size: frame.midStile },
      z: this.withTenons(within.clear.v),
      piece: { kind: 'stile', where: 'middle' },
    });
  }

  /** A tenon longer at both ends than what it spans. */
  private withTenons(span: Span): Span {
    return longer(span, this.context.resolved.settings.frame.tenon);
  }

  private member(draft: {
    key: string;
    name: string;
    x: Span;
    z: Span;
    piece: Piece;
    hand?: 'left' | 'right';
    machining?: Operation[];
    note?: string;
  }): Part {
    const { material, thickness } = this.context.resolved.materials.frame;
    const { piece } = draft;
    const axes: Axes = piece.kind === 'stile' ? { u: '+z', v: '+x', w: '+y' } : { u: '+x', v: '+z', w: '+y' };
    return makePart({
      key: draft.key,
      name: draft.name,
      role: 'frame',
      unit: 'frame',
      material,
      ...(draft.hand ? { hand: draft.hand } : {}),
      stands: { x: draft.x, y: spanTo(START, thickness), z: draft.z },
      axes,
      piece,
      machining: draft.machining ?? [],
      ...(draft.note ? { note: draft.note } : {}),
    });
  }
}
