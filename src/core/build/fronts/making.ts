import type { FrontAsked, Resolved, ResolvedSettings } from '../../decisions/index.js';
import { type Dim, longer, type Span, spanFrom, spanTo } from '../../ground/index.js';
import { type Axes, bandsOn, EDGES, makePart, type Operation, type Part } from '../../part/index.js';
import { frameJoinery, grooveInset, type Member, playAcross } from './joinery.js';

/** A front before it is made: where it lies, and what all ways of making it share. */
export interface FrontBlank {
  readonly key: string;
  readonly name: string;
  readonly like: FrontAsked['like'];
  readonly hinged?: 'left' | 'right';
  readonly h: Span;
  readonly v: Span;
  /** Where its back lies, front to rear. */
  readonly rear: Dim;
  readonly resolved: Resolved;
  /** Rebates of a lipped front; cut in what its back is made of. */
  readonly rebates: readonly Operation[];
}

/** One way of making a front. */
type Making = (blank: FrontBlank) => Part[];

/**
 * How a front like a door or a drawer, and so high, is made. A low framed drawer front looks cramped: up to one limit it is a slab, up
 * to a second its rails are narrow.
 */
export function makingOf(like: FrontAsked['like'], height: Dim, { making }: ResolvedSettings): Making {
  const low = like === 'drawer';
  const framed = making.kind.value !== 'slab' && (!low || making.drawers.value === 'likeDoors');
  if (!framed || (low && height.value <= making.slabBelow.value)) return slab;
  const rail = low && height.value <= making.narrowBelow.value ? making.narrowRail : making.rail;
  return making.kind.value === 'trim' ? (blank) => trimmed(blank, rail) : (blank) => framedFront(blank, rail);
}

function role(blank: FrontBlank) {
  return blank.like === 'door' ? ('door' as const) : ('drawer front' as const);
}

function hand(blank: FrontBlank) {
  return blank.hinged ? { hand: blank.hinged } : {};
}

const UPRIGHT: Axes = { u: '+z', v: '+x', w: '+y' };
const LYING: Axes = { u: '+x', v: '+z', w: '+y' };

const slab: Making = (blank) => [slabAt(blank, blank.key, { name: blank.name })];

function slabAt(blank: FrontBlank, key: string, called: { readonly name: string; readonly whole?: string }): Part {
  const { settings, materials } = blank.resolved;
  const { h, v } = blank;
  // Fronts out of one blank all run the way the doors do.
  const likeDoors = blank.like === 'door' || settings.fronts.grainRuns.value !== 'none';
  const upright = (likeDoors ? settings.fronts.doorGrain : settings.fronts.drawerGrain).value === 'up';
  const banded = settings.banding.frontEdges.value === 'all';
  const bands = banded ? bandsOn(EDGES, settings.banding.frontThickness, settings.banding.preMilling) : [];
  const { material, thickness } = materials.front;
  return makePart({
    key,
    unit: blank.key,
    ...called,
    role: role(blank),
    material,
    bands,
    ...hand(blank),
    machining: blank.rebates,
    stands: { x: h, y: spanTo(blank.rear, thickness), z: v },
    axes: upright ? UPRIGHT : LYING,
    piece: { kind: 'slab' },
  });
}

interface Members {
  readonly rail: Dim;
  /** What is cut in each of them. */
  readonly cut?: (member: Member) => readonly Operation[];
  /** From their face to their back. */
  readonly y: Span;
  /** How far rails enter the stiles; absent where they butt. */
  readonly enters?: Dim;
  /** Rails run to the outer corners. */
  readonly mitred?: boolean;
  readonly note?: string;
  /** Key of the part whose face they are glued to. */
  readonly gluedTo?: string;
}

/** What stands at the lower or left end, and at the other, of what ends on stiles or on rails. */
const ENDS_OF = {
  stile: (key: string) => ({ u0: `${key}/stile/left`, u1: `${key}/stile/right` }),
  rail: (key: string) => ({ u0: `${key}/rail/bottom`, u1: `${key}/rail/top` }),
};

/** Two stiles and two rails; rails between the stiles, entering them by `enters`, or running to the outer corners. */
function members(blank: FrontBlank, { rail, y, enters, mitred, note, gluedTo, cut }: Members): Part[] {
  const { stile } = blank.resolved.settings.making;
  const { h, v } = blank;
  const between = { low: h.low.plus(stile), high: h.high.minus(stile), size: h.size.minus(stile.times(2)) };
  const across = mitred ? h : enters ? longer(between, enters) : between;
  const member = (kind: 'rail' | 'stile', where: 'bottom' | 'top' | 'left' | 'right', x: Span, z: Span): Part =>
    makePart({
      key: `${blank.key}/${kind}/${where}`,
      name: `${where} ${kind}`,
      whole: blank.name,
      unit: blank.key,
      role: role(blank),
      material: blank.resolved.materials.doorFrame.material,
      ...hand(blank),
      stands: { x, y, z },
      axes: kind === 'stile' ? UPRIGHT : LYING,
      piece: { kind, where },
      machining:
        cut?.({
          kind,
          ends: ENDS_OF[kind === 'stile' ? 'rail' : 'stile'](blank.key),
          outer: where === 'left' || where === 'bottom' ? 'v0' : 'v1',
          ...(kind === 'stile' ? { width: stile, meets: rail } : { width: rail, meets: stile }),
        }) ?? [],
      ...(note ? { note } : {}),
      ...(gluedTo ? { gluedTo } : {}),
    });
  return [
    member('rail', 'bottom', across, spanFrom(v.low, rail)),
    member('rail', 'top', across, spanTo(v.high, rail)),
    member('stile', 'left', spanFrom(h.low, stile), v),
    member('stile', 'right', spanTo(h.high, stile), v),
  ];
}

/**
 * Frame and panel. Grooved: rail = front width − 2 · stile + 2 · groove, its stub tenons as long as the groove is deep.
 * Mitred: stiles and rails the full size of the front, long point to long point. Panel = opening + 2 · groove − 2 · play,
 * where a solid panel has its own play across the grain.
 */
function framedFront(blank: FrontBlank, rail: Dim): Part[] {
  const { resolved } = blank;
  const { settings, materials } = resolved;
  const { stile, groove, panelPlay, kind } = settings.making;
  const { h, v } = blank;
  const y = spanTo(blank.rear, materials.doorFrame.thickness);
  const mitred = kind.value === 'mitred';
  const frame = members(blank, {
    rail,
    y,
    ...(mitred ? { mitred } : { enters: groove }),
    cut: (member) => [...frameJoinery(member, resolved), ...rebatesOf(member, blank, mitred)],
  });
  const within = (whole: Span, member: Dim, play: Dim): Span => {
    const hold = groove.minus(play).as('panel held in each groove');
    return {
      low: whole.low.plus(member).minus(hold),
      high: whole.high.minus(member).plus(hold),
      size: whole.size.minus(member.times(2)).plus(hold.times(2)),
    };
  };
  const panel = materials.doorPanel;
  const inset = grooveInset(resolved);
  return [
    makePart({
      key: `${blank.key}/panel`,
      name: 'panel',
      whole: blank.name,
      unit: blank.key,
      role: role(blank),
      material: panel.material,
      ...hand(blank),
      stands: {
        x: within(h, stile, playAcross(h.size.minus(stile.times(2)).as('opening between the stiles'), resolved)),
        y: spanFrom(y.low.plus(inset), panel.thickness),
        z: within(v, rail, panelPlay),
      },
      axes: UPRIGHT,
      piece: { kind: 'panel' },
      ...(panel.material.form === 'solid' ? { note: 'floats; fixed in the middle of its width only' } : {}),
    }),
    ...frame,
  ];
}

/** A lipped front is stepped round its back: along the outer edge of each member, and over the ends of what reaches the corners: stiles, or the wider member of a mitre. */
function rebatesOf({ kind, outer, width, meets }: Member, { rebates }: FrontBlank, mitred: boolean): Operation[] {
  const ends = mitred ? width.value > meets.value : kind === 'stile';
  return rebates.filter(
    (each) => each.kind === 'rabbet' && (each.from === outer || (ends && each.from.startsWith('u'))),
  );
}

/** Trim on a slab: stiles the front's height, rails between them; the slab is the front's size less its bands. */
function trimmed(blank: FrontBlank, rail: Dim): Part[] {
  const { settings, materials } = blank.resolved;
  const y = spanTo(blank.rear.minus(materials.front.thickness), settings.making.trimThickness);
  return [
    slabAt(blank, `${blank.key}/slab`, { name: 'slab', whole: blank.name }),
    ...members(blank, {
      rail,
      y,
      gluedTo: `${blank.key}/slab`,
      note: 'glued to the slab; keep nails out of the hinge cups',
    }),
  ];
}
