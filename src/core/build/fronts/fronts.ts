import { type FrontAsked, isFill, type Resolved } from '../../decisions/index.js';
import { capital, type Dim, quantity, type Source, type Span, sumOf } from '../../ground/index.js';
import { EDGES, type Intake, type Operation, type Part, type Point } from '../../part/index.js';
import { type Box, backOfFronts, type Cell, type Region } from '../layout/index.js';
import type { Front } from './front.js';
import { groupGrain } from './grain.js';
import { makingOf } from './making.js';

/** The fronts that close the openings of a face. Open bays have none. */
export function buildFronts(
  cells: readonly Cell[],
  root: Region | undefined,
  box: Box,
  resolved: Resolved,
  intake: Intake,
): Front[] {
  const context = { box, resolved, intake };
  const fronts = cells.flatMap((cell) => frontsOf(cell, root?.face.h ?? cell.face.h, context));
  return groupGrain(fronts, resolved);
}

interface FrontContext {
  readonly box: Box;
  readonly resolved: Resolved;
  readonly intake: Intake;
}

function frontsOf(cell: Cell, whole: Span, context: FrontContext): Front[] {
  const { resolved } = context;
  const { fill, name } = cell;
  const { id } = cell.opening;
  const { h } = cell.face;
  const make = (draft: Omit<FrontDraft, 'cell' | 'whole'>) => makeFront({ cell, ...draft, whole }, context);
  const asked = resolved.fills.opening[fill.kind]?.front;
  if (!asked) return [];
  if (!isFill(fill, 'pair'))
    return [
      make({
        key: `${fill.kind}/${id}`,
        name,
        kind: fill.kind,
        ...asked,
        h,
        ...(isFill(fill, 'door') ? { hinged: fill.hinged } : {}),
      }),
    ];
  // A pair: (width − gap) / 2 each.
  const leaf = h.size.minus(resolved.settings.fronts.gap).over(2).as('width of one door of the pair');
  const left = { low: h.low, high: h.low.plus(leaf).as('meeting edge of the left door'), size: leaf };
  const right = { low: h.high.minus(leaf).as('meeting edge of the right door'), high: h.high, size: leaf };
  const door = name.replace(/^doors/, 'door');
  const pair = { kind: 'door', ...asked };
  return [
    make({ key: `door/${id}/left`, name: `${door}, left`, ...pair, hinged: 'left', h: left }),
    make({ key: `door/${id}/right`, name: `${door}, right`, ...pair, hinged: 'right', h: right }),
  ];
}

interface FrontDraft extends FrontAsked {
  readonly key: string;
  readonly name: string;
  readonly kind: string;
  readonly hinged?: 'left' | 'right';
  readonly cell: Cell;
  readonly h: Span;
  /** The span all fronts together cover. */
  readonly whole: Span;
}

function makeFront(
  { key, name, kind, like, opens, hinged, cell, h, whole }: FrontDraft,
  { box, resolved, intake }: FrontContext,
): Front {
  const { settings } = resolved;
  const { v } = cell.face;
  const made = makingOf(
    like,
    v.size,
    settings,
  )({
    key,
    name: capital(name),
    like,
    h,
    v,
    rear: backOfFronts(box, settings),
    resolved,
    rebates: settings.fronts.fit.value === 'lipped' ? rebates(settings) : [],
    ...(hinged ? { hinged } : {}),
  });
  const parts = intake.take(made);
  const extents = parts.map(({ extent }) => extent);
  const corner = (pick: 'min' | 'max', of: (...values: number[]) => number): Point =>
    [0, 1, 2].map((axis) => of(...extents.map((extent) => extent[pick][axis] as number))) as unknown as Point;
  const extent = { min: corner('min', Math.min), max: corner('max', Math.max) };
  return {
    key,
    openingId: cell.opening.id,
    kind,
    like,
    opens,
    h,
    v,
    beside: besideOf(h, whole, box, resolved),
    lap: settings.fronts.fit.value === 'lipped' ? settings.fronts.rebateWidth.value : 0,
    weight: weightOf(parts).as(`weight of ${name}`),
    parts,
    extent,
    ...(hinged ? { hinged, overlay: overlayOf(hinged, cell) } : {}),
  };
}

/** At the ends of the box what is left to its edge, or to the edge of what reaches beyond it; within it the gap. */
function besideOf(h: Span, whole: Span, box: Box, { settings }: Resolved): Front['beside'] {
  const { gap } = settings.fronts;
  const beyond = (reveal: Dim, reach: Dim) => (reach.value === 0 ? reveal : reveal.plus(reach));
  return {
    left: h.low === whole.low ? beyond(whole.low, box.beyondLeft).as('free beside the left edge') : gap,
    right:
      h.high === whole.high
        ? beyond(box.width.minus(whole.high), box.beyondRight).as('free beside the right edge')
        : gap,
  };
}

/** Weight = Σ length · width · thickness · density, in kg; what is grooved or bored away is not taken off. */
export function weightOf(parts: readonly Part[]): Dim {
  return sumOf(
    parts.map(({ name, length, width, thickness, material }) =>
      length
        .times(width)
        .times(thickness)
        .times(quantity(material.density, 'kg/m3', `density of ${material.name}`, densitySource(material)))
        .over(quantity(1e9, 'mm3/m3', 'mm³ in a m³'))
        .as(`weight of ${name.toLowerCase()}`),
    ),
  );
}

function densitySource(material: Part['material']): Source {
  return { kind: 'nominal', note: `of ${material.name}`, path: `materials/${material.id}/density` };
}

/** What a lipped front has in its opening at each side: its rebate less its lip. */
export function lippedClearance({ rebateWidth, lip }: Resolved['settings']['fronts']): Dim {
  return rebateWidth.minus(lip).as('clearance of the lipped front, each side');
}

/** The step all round the back of a lipped front. */
function rebates({ fronts }: Resolved['settings']): Operation[] {
  return EDGES.map((from) => ({
    kind: 'rabbet',
    face: 2,
    from,
    width: fronts.rebateWidth,
    depth: fronts.rebateDepth,
    reason: 'lets the front into its opening, the lip over the edge',
    by: { kind: 'front', what: 'rebate' },
  }));
}

/** Overlay of an edge: how far the front's edge lies beyond the opening's edge. On a side: side thickness − reveal. */
function overlayOf(hinged: 'left' | 'right', { face, clear }: Cell): Dim {
  const overlay = hinged === 'left' ? clear.h.low.minus(face.h.low) : face.h.high.minus(clear.h.high);
  return overlay.as('overlay on the hinge side');
}

/** The keys of the parts a front is made of. */
export function keysOf({ parts }: Pick<Front, 'parts'>): string[] {
  return parts.map(({ key }) => key);
}

/** What a front is called in a sentence. */
export function frontName({ parts, key }: Pick<Front, 'parts' | 'key'>): string {
  const [first] = parts;
  return (first?.whole ?? first?.name ?? key).toLowerCase();
}
