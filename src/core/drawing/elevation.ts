import { frameSizes } from '../frame/index.js';
import type { Front } from '../fronts/index.js';
import type { HungDoor } from '../hinges/index.js';
import type { Region, Span, SplitLayout } from '../layout/index.js';
import { type Part, type PartRole, partExtent } from '../parts/index.js';
import type { SolvedCabinet } from '../solve.js';
import {
  type DimensionItem,
  type Drawing,
  type DrawingItem,
  type DrawingPoint,
  dimension,
  type LineItem,
  type RegionItem,
} from './drawing.js';
import { TINT } from './tints.js';

/** The front elevation: carcass, frame and fronts, what they hide dashed, and the dimensions a maker sets. */
export function drawElevation(solved: SolvedCabinet, jobName: string): Drawing {
  const { cabinet, box } = solved;
  const framed = solved.resolved.settings.frame.fitted.value === 'fitted';
  const rise = framed ? solved.resolved.settings.frame.rise.mm : 0;
  return {
    title: { job: jobName, cabinet: `${cabinet.number} ${cabinet.name}`, view: 'Front elevation' },
    min: { h: -box.beyondLeft.mm, v: -box.underHeight.mm },
    max: { h: box.width.mm + box.beyondRight.mm, v: box.height.mm + rise },
    items: [
      ...partItems(solved),
      ...solved.fronts.flatMap(swing),
      ...solved.doors.flatMap(hingeMarks),
      ...marks(solved),
    ],
    dimensions: [...widthDimensions(solved), ...heightDimensions(solved), ...stackDimensions(solved)],
  };
}

interface Outline {
  readonly from: DrawingPoint;
  readonly to: DrawingPoint;
}

function outlineOf(part: Part): Outline {
  const { min, max } = partExtent(part);
  return { from: { h: min[0], v: min[2] }, to: { h: max[0], v: max[2] } };
}

function outlineOfFront({ extent: { min, max } }: Front): Outline {
  return { from: { h: min[0], v: min[2] }, to: { h: max[0], v: max[2] } };
}

/** Parts whose outline tells nothing from the front, or lies wholly behind its twin. */
const BEHIND = /^(plinth\/(rear|cross)|stretcher\/rear|nailer)|\/(cross\/|rail\/rear)/;
const COVERING: readonly PartRole[] = ['door', 'drawer front', 'frame'];

/** Farthest first; what fronts and frame hide is drawn again over them, dashed. */
function partItems({ parts }: SolvedCabinet): DrawingItem[] {
  const shown = parts
    .filter((part) => !BEHIND.test(part.key))
    .map((part) => ({ part, ...outlineOf(part), depth: partExtent(part).min[1] }));
  shown.sort((a, b) => b.depth - a.depth || (a.part.role === 'back' ? -1 : 0) - (b.part.role === 'back' ? -1 : 0));
  const covers = shown.filter(({ part }) => COVERING.includes(part.role));
  const regions = shown.map(({ part, from, to }): RegionItem => {
    const front = part.role === 'door' || part.role === 'drawer front';
    const grain =
      front || part.role === 'back' || part.role === 'frame' ? (part.placement.u[1] === 'z' ? 'v' : 'h') : undefined;
    return {
      kind: 'region',
      tint: TINT[part.role],
      weight: front ? 'outline' : 'visible',
      from,
      to,
      shows: part.key,
      ...(grain ? { grain } : {}),
    };
  });
  const dashed = shown
    .filter(({ part }) => !COVERING.includes(part.role) && !['back', 'plinth', 'end', 'filler'].includes(part.role))
    .filter((part) => covers.some((cover) => hides(cover, part)))
    .map(
      ({ part, from, to }): RegionItem => ({
        kind: 'region',
        tint: 'void',
        weight: 'hidden',
        from,
        to,
        shows: part.key,
      }),
    );
  return [...regions, ...dashed];
}

function hides(cover: Outline, part: Outline): boolean {
  const h = Math.min(cover.to.h, part.to.h) - Math.max(cover.from.h, part.from.h);
  const v = Math.min(cover.to.v, part.to.v) - Math.max(cover.from.v, part.from.v);
  return h > 0 && v > 0 && h * v > 0.3 * (part.to.h - part.from.h) * (part.to.v - part.from.v);
}

/** A door's swing: two lines from the corners of the opening edge to the middle of the hinge edge. */
function swing(front: Front): DrawingItem[] {
  if (front.kind !== 'door') return [];
  const { from, to } = outlineOfFront(front);
  const hinge = front.hinged === 'left' ? from.h : to.h;
  const free = front.hinged === 'left' ? to.h : from.h;
  const line: LineItem = {
    kind: 'line',
    weight: 'swing',
    points: [
      { h: free, v: to.v },
      { h: hinge, v: (from.v + to.v) / 2 },
      { h: free, v: from.v },
    ],
    shows: front.key,
  };
  return [line];
}

/** A hinge seen through its door: the cup, and a short arm to the edge it turns on. */
function hingeMarks({ front, chosen, places }: HungDoor): DrawingItem[] {
  if (!chosen || !front.hinged) return [];
  const { min, max } = front.extent;
  const inward = front.hinged === 'left' ? 1 : -1;
  const edge = front.hinged === 'left' ? min[0] : max[0];
  const { diameter } = chosen.profile.cup;
  return places.flatMap(({ onDoor }): DrawingItem[] => {
    const at = { h: edge + inward * (chosen.offset + diameter / 2), v: front.v.low.mm + onDoor.mm };
    return [
      { kind: 'hole', at, diameter, weight: 'hidden', shows: front.key },
      {
        kind: 'line',
        weight: 'hidden',
        points: [
          { h: edge - inward * 12, v: at.v },
          { h: at.h, v: at.v },
        ],
        shows: front.key,
      },
    ];
  });
}

/** Marks of the fronts, and of the back where an open bay shows it. */
function marks({ rows, parts, fronts, face }: SolvedCabinet): DrawingItem[] {
  const markOf = new Map(rows.flatMap((row) => row.keys.map((key) => [key, row.mark] as const)));
  const items: DrawingItem[] = fronts.map((front) => {
    const { from, to } = outlineOfFront(front);
    return {
      kind: 'mark',
      at: { h: (from.h + to.h) / 2, v: (from.v + to.v) / 2 },
      text: markOf.get(front.parts[0]?.key ?? '') ?? '',
      room: Math.min(to.v - from.v, 0.7 * (to.h - from.h)),
      shows: front.parts[0]?.key ?? front.key,
    };
  });
  const back = parts.find((part) => part.role === 'back');
  if (!face.ok || !back) return items;
  const bay = face.cells.find((cell) => cell.fill.kind === 'open');
  if (bay) {
    const { h, v } = bay.inside;
    items.push({
      kind: 'mark',
      at: { h: (h.low.mm + h.high.mm) / 2, v: (v.low.mm + v.high.mm) / 2 },
      text: markOf.get(back.key) ?? '',
      shows: back.key,
    });
  }
  return items;
}

/** Only overlay fronts on a box are placed by reveals to its edges. */
function revealsOnBox({ settings }: SolvedCabinet['resolved']): boolean {
  return settings.frame.fitted.value === 'none' && settings.fronts.fit.value === 'overlay';
}

function widthDimensions(solved: SolvedCabinet): DimensionItem[] {
  const { cabinet, box, resolved } = solved;
  const side = resolved.materials.side.thickness.mm;
  const items = [
    dimension(
      'width',
      'bottom',
      1,
      -box.beyondLeft.mm,
      box.width.mm + box.beyondRight.mm,
      box.overallWidth,
      `cabinets/${cabinet.id}/size/width`,
    ),
    dimension('inside-width', 'bottom', 0, side, box.width.mm - side, box.insideWidth),
  ];
  if (!solved.face.ok || solved.face.splits.some((split) => split.axis === 'columns')) return items;
  return [...items, ...frontWidths(solved)];
}

/** Widths of the fronts of one opening side by side, with the reveals and gaps between them. */
function frontWidths({ cabinet, box, fronts, resolved }: SolvedCabinet): DimensionItem[] {
  const rows = new Map<string, Front[]>();
  for (const front of fronts) rows.set(front.openingId, [...(rows.get(front.openingId) ?? []), front]);
  const top = [...rows.values()].sort((a, b) => b.length - a.length)[0] ?? [];
  const [first] = top;
  const last = top.at(-1);
  if (!first || !last) return [];
  const { reveal, gap } = resolved.settings.fronts;
  const here = `cabinets/${cabinet.id}/settings/fronts`;
  const framed = !revealsOnBox(resolved);
  const items = top.map((front) => ({
    ...dimension(`width-${front.key}`, 'top', 0, front.h.low.mm, front.h.high.mm, front.h.size),
    shows: front.key,
  }));
  const gaps = top
    .slice(0, -1)
    .map((front, at) =>
      dimension(`gap-${front.key}`, 'top', 0, front.h.high.mm, (top[at + 1] as Front).h.low.mm, gap, `${here}/gap`),
    );
  if (framed) return [...items, ...gaps];
  return [
    dimension('reveal-left', 'top', 0, 0, first.h.low.mm, reveal.left, `${here}/reveal/left`),
    ...items,
    ...gaps,
    dimension('reveal-right', 'top', 0, last.h.high.mm, box.width.mm, reveal.right, `${here}/reveal/right`),
  ];
}

function heightDimensions(solved: SolvedCabinet): DimensionItem[] {
  const { cabinet, box, resolved } = solved;
  const path = `cabinets/${cabinet.id}`;
  const { toe, frame } = resolved.settings;
  const under = box.underHeight.mm;
  const toeHeight = toe.height.mm;
  const toePath = `${path}/settings/toe/height`;
  const items: DimensionItem[] = [];
  if (under > 0)
    items.push(
      dimension('box-height', 'right', 0, 0, box.height.mm, box.height),
      dimension('toe-height', 'right', 0, -under, 0, toe.height, toePath),
    );
  else if (box.floor.mm > 0)
    items.push(
      dimension('toe-height', 'right', 0, 0, toeHeight, toe.height, toePath),
      dimension('face-height', 'right', 0, box.floor.mm, box.height.mm, box.faceHeight),
    );
  const overall = dimension('height', 'right', items.length > 0 ? 1 : 0, -under, box.height.mm, box.overallHeight);
  items.push(cabinet.size.height.from === 'overall' ? { ...overall, edits: `${path}/size/height/mm` } : overall);
  if (frame.fitted.value === 'fitted') {
    const { foot, height } = frameSizes(box, resolved);
    items.push(dimension('frame-height', 'right', 2, foot.mm, foot.mm + height.mm, height));
  }
  return items;
}

/** More chains than this on a side and the drawing drowns in its dimensions; the list of openings has them all. */
const MOST_CHAINS = 2;

/** The tree of openings: a chain of dimensions for each split, where it touches the outside. */
function stackDimensions(solved: SolvedCabinet): DimensionItem[] {
  const { face } = solved;
  if (!face.ok) return [];
  const next = { left: 0, right: 3, top: 0, bottom: 2 };
  const chains = { left: 0, right: 0, top: 0, bottom: 0 };
  const items: DimensionItem[] = [];
  for (const [at, split] of face.splits.entries()) {
    const side = sideOf(split, face.root);
    const said = at > 0 && (split.parts.length === 1 || chains[side] >= MOST_CHAINS);
    if (said) continue;
    const chain = splitChain(solved, split, side, next[side], at === 0);
    items.push(...chain);
    chains[side] += 1;
    next[side] = 1 + Math.max(...chain.map((item) => item.level));
  }
  return items;
}

/** Rows are dimensioned at the left unless they stand at the right edge only, columns at the top likewise. */
function sideOf(split: SplitLayout, root: Region): DimensionItem['side'] {
  const within = split.within.face;
  const touches = (span: Span, whole: Span) => ({
    low: span.low.mm <= whole.low.mm + 1,
    high: span.high.mm >= whole.high.mm - 1,
  });
  if (split.axis === 'rows') {
    const { low, high } = touches(within.h, root.face.h);
    return high && !low ? 'right' : 'left';
  }
  const { low, high } = touches(within.v, root.face.v);
  return low && !high ? 'bottom' : 'top';
}

function splitChain(
  solved: SolvedCabinet,
  split: SplitLayout,
  side: DimensionItem['side'],
  level: number,
  root: boolean,
): DimensionItem[] {
  const { cabinet, box, resolved } = solved;
  const { frame, fronts } = resolved.settings;
  const rows = split.axis === 'rows';
  const here = `cabinets/${cabinet.id}/settings`;
  const openingsFirst = fronts.lay.value === 'openings';
  const framed = frame.fitted.value === 'fitted';
  const revealed = revealsOnBox(resolved);
  const pin = (at: number) => `${split.path}/parts/${split.parts[at]?.id}/pin`;
  const id = (at: number) => split.parts[at]?.id ?? '';
  const items: DimensionItem[] = [];
  // Below the first division one chain is enough: the one that decides.
  const both = root || !openingsFirst;
  const openings = both ? level + 1 : level;
  split.face.forEach((each, at) => {
    if (!both) return;
    const front = solved.fronts.find((other) => other.openingId === id(at));
    const edits = openingsFirst ? undefined : pin(at);
    items.push({
      ...dimension(`face-${id(at)}`, side, level, each.low.mm, each.high.mm, each.size, edits),
      ...(front ? { shows: front.parts[0]?.key ?? front.key } : {}),
    });
    const next = split.face[at + 1];
    const between = split.between[at];
    if (!next || !between) return;
    const [from, to] = rows ? [next.high.mm, each.low.mm] : [each.high.mm, next.low.mm];
    if (to > from)
      items.push(
        dimension(`gap-${id(at)}`, side, level, from, to, between.face, revealed ? `${here}/fronts/gap` : undefined),
      );
  });
  if (openingsFirst)
    split.clear.forEach((each, at) => {
      items.push(dimension(`opening-${id(at)}`, side, openings, each.low.mm, each.high.mm, each.size, pin(at)));
      const next = split.clear[at + 1];
      const between = split.between[at];
      if (!framed || !next || !between) return;
      const [from, to] = rows ? [next.high.mm, each.low.mm] : [each.high.mm, next.low.mm];
      items.push(
        dimension(
          `member-${id(at)}`,
          side,
          openings,
          from,
          to,
          between.clear,
          `${here}/frame/${rows ? 'midRail' : 'midStile'}`,
        ),
      );
    });
  if (!root || !revealed) return items;
  const { reveal } = fronts;
  const reveals = `${here}/fronts/reveal`;
  if (rows) {
    const top = box.floor.mm + box.faceHeight.mm;
    items.push(dimension('reveal-top', side, level, top - reveal.top.mm, top, reveal.top, `${reveals}/top`));
    items.push(
      dimension(
        'reveal-bottom',
        side,
        level,
        box.floor.mm,
        box.floor.mm + reveal.bottom.mm,
        reveal.bottom,
        `${reveals}/bottom`,
      ),
    );
  } else {
    items.push(dimension('reveal-left', side, level, 0, reveal.left.mm, reveal.left, `${reveals}/left`));
    items.push(
      dimension(
        'reveal-right',
        side,
        level,
        box.width.mm - reveal.right.mm,
        box.width.mm,
        reveal.right,
        `${reveals}/right`,
      ),
    );
  }
  return items;
}
