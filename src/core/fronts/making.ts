import type { Dim } from '../derive/index.js';
import type { Resolved, ResolvedSettings } from '../document/index.js';
import type { Span } from '../layout/index.js';
import type { Operation } from '../machining/index.js';
import { type Axis, type Band, EDGES, makePart, type Part } from '../parts/index.js';

/** A false front is fixed: it closes the view where no drawer can run. */
export type FrontKind = 'drawer' | 'door' | 'false';

/** A front before it is made: where it lies, and what all ways of making it share. */
export interface FrontBlank {
  readonly key: string;
  readonly name: string;
  readonly kind: FrontKind;
  readonly hinged?: 'left' | 'right';
  readonly h: Span;
  readonly v: Span;
  /** Cabinet y of its back (mm). */
  readonly rear: number;
  readonly resolved: Resolved;
  /** Rebates of a lipped front; cut in what its back is made of. */
  readonly rebates: readonly Operation[];
}

/** One way of making a front. */
type Making = (blank: FrontBlank) => Part[];

/**
 * How a front of this kind and height is made. A low framed drawer front looks cramped: up to one limit it is a slab, up
 * to a second its rails are narrow.
 */
export function makingOf(kind: FrontKind, height: Dim, { making }: ResolvedSettings): Making {
  const low = kind !== 'door';
  const framed = making.kind.value !== 'slab' && (!low || making.drawers.value === 'likeDoors');
  if (!framed || (low && height.mm <= making.slabBelow.mm)) return slab;
  const rail = low && height.mm <= making.narrowBelow.mm ? making.narrowRail : making.rail;
  return making.kind.value === 'trim' ? (blank) => trimmed(blank, rail) : (blank) => framedFront(blank, rail);
}

function role(blank: FrontBlank) {
  return blank.kind === 'door' ? ('door' as const) : ('drawer front' as const);
}

function hand(blank: FrontBlank) {
  return blank.hinged ? { hand: blank.hinged } : {};
}

const slab: Making = (blank) => [slabAt(blank, blank.key, blank.name, blank.rear)];

function slabAt(blank: FrontBlank, key: string, name: string, rear: number): Part {
  const { settings, materials } = blank.resolved;
  const { h, v } = blank;
  // Fronts out of one blank all run the way the doors do.
  const likeDoors = blank.kind === 'door' || settings.fronts.grainRuns.value !== 'none';
  const upright = (likeDoors ? settings.fronts.doorGrain : settings.fronts.drawerGrain).value === 'up';
  const banded = settings.banding.frontEdges.value === 'all';
  const bands: Band[] = banded ? EDGES.map((edge) => ({ edge, thickness: settings.banding.frontThickness })) : [];
  const { material, thickness } = materials.front;
  return makePart({
    key,
    name,
    role: role(blank),
    material,
    length: upright ? v.size : h.size,
    width: upright ? h.size : v.size,
    thickness,
    bands,
    ...hand(blank),
    machining: blank.rebates,
    placement: {
      origin: [h.low.mm, rear - thickness.mm, v.low.mm],
      u: upright ? '+z' : '+x',
      v: upright ? '+x' : '+z',
      w: '+y',
    },
  });
}

interface Member {
  readonly key: string;
  readonly name: string;
  readonly length: Dim;
  readonly width: Dim;
  readonly thickness: Dim;
  readonly x: number;
  readonly z: number;
  readonly y: number;
  readonly upright: boolean;
  readonly note: string;
}

function member(blank: FrontBlank, draft: Member): Part {
  const axes: { u: Axis; v: Axis } = draft.upright ? { u: '+z', v: '+x' } : { u: '+x', v: '+z' };
  return makePart({
    key: `${blank.key}/${draft.key}`,
    name: `${blank.name}: ${draft.name}`,
    role: role(blank),
    material: blank.resolved.materials.doorFrame.material,
    length: draft.length,
    width: draft.width,
    thickness: draft.thickness,
    ...hand(blank),
    placement: { origin: [draft.x, draft.y, draft.z], ...axes, w: '+y' },
    note: draft.note,
  });
}

/** Two stiles and two rails; rails between the stiles, entering them by `enters`, or running to the outer corners. */
function members(
  blank: FrontBlank,
  rail: Dim,
  thickness: Dim,
  y: number,
  enters: Dim | undefined,
  mitred: boolean,
  note: string,
): Part[] {
  const { stile } = blank.resolved.settings.making;
  const { h, v } = blank;
  const between = h.size.minus(stile.times(2));
  const railLength = mitred ? h.size : enters ? between.plus(enters.times(2)) : between;
  const railX = mitred ? h.low.mm : h.low.mm + stile.mm - (enters?.mm ?? 0);
  const base = { thickness, y, note };
  return [
    member(blank, {
      ...base,
      key: 'rail/bottom',
      name: 'bottom rail',
      length: railLength,
      width: rail,
      x: railX,
      z: v.low.mm,
      upright: false,
    }),
    member(blank, {
      ...base,
      key: 'rail/top',
      name: 'top rail',
      length: railLength,
      width: rail,
      x: railX,
      z: v.high.mm - rail.mm,
      upright: false,
    }),
    member(blank, {
      ...base,
      key: 'stile/left',
      name: 'left stile',
      length: v.size,
      width: stile,
      x: h.low.mm,
      z: v.low.mm,
      upright: true,
    }),
    member(blank, {
      ...base,
      key: 'stile/right',
      name: 'right stile',
      length: v.size,
      width: stile,
      x: h.high.mm - stile.mm,
      z: v.low.mm,
      upright: true,
    }),
  ];
}

/**
 * Frame and panel. Grooved: rail = front width − 2 · stile + 2 · groove, its stub tenons as long as the groove is deep.
 * Mitred: stiles and rails the full size of the front, long point to long point. Panel = opening + 2 · groove − 2 · play.
 */
function framedFront(blank: FrontBlank, rail: Dim): Part[] {
  const { settings, materials } = blank.resolved;
  const { stile, groove, panelPlay, kind } = settings.making;
  const { thickness } = materials.doorFrame;
  const { h, v } = blank;
  const y = blank.rear - thickness.mm;
  const mitred = kind.value === 'mitred';
  const frame = members(
    blank,
    rail,
    thickness,
    y,
    mitred ? undefined : groove,
    mitred,
    `inner edge grooved ${mitred ? 'and mitred, loose tenons' : ''}`.trim(),
  );
  const hold = groove.minus(panelPlay).as('panel held in each groove');
  const grows = hold.times(2);
  const panel = materials.doorPanel;
  const inset = Math.max(0, (thickness.mm - panel.thickness.mm) / 2);
  return [
    makePart({
      key: `${blank.key}/panel`,
      name: `${blank.name}: panel`,
      role: role(blank),
      material: panel.material,
      length: v.size.minus(rail.times(2)).plus(grows),
      width: h.size.minus(stile.times(2)).plus(grows),
      thickness: panel.thickness,
      ...hand(blank),
      placement: {
        origin: [h.low.mm + stile.mm - hold.mm, y + inset, v.low.mm + rail.mm - hold.mm],
        u: '+z',
        v: '+x',
        w: '+y',
      },
    }),
    ...frame,
  ];
}

/** Trim on a slab: stiles the front's height, rails between them; the slab is the front's size less its bands. */
function trimmed(blank: FrontBlank, rail: Dim): Part[] {
  const { settings, materials } = blank.resolved;
  const { trimThickness } = settings.making;
  const y = blank.rear - materials.front.thickness.mm - trimThickness.mm;
  return [
    slabAt(blank, `${blank.key}/slab`, `${blank.name}: slab`, blank.rear),
    ...members(blank, rail, trimThickness, y, undefined, false, 'glued to the slab; keep nails out of the hinge cups'),
  ];
}
