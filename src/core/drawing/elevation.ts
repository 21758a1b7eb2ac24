import type { Dim } from '../derive/index.js';
import type { Front } from '../fronts/index.js';
import { type Part, type PartRole, partExtent } from '../parts/index.js';
import type { SolvedCabinet } from '../solve.js';
import type { DimensionItem, Drawing, DrawingItem, DrawingPoint, LineItem, RegionItem, Tint } from './drawing.js';

const TINT: Record<PartRole, Tint> = {
  side: 'case',
  bottom: 'case',
  top: 'case',
  stretcher: 'case',
  divider: 'case',
  nailer: 'case',
  back: 'back',
  plinth: 'plinth',
  shelf: 'shelf',
  door: 'front',
  'drawer front': 'front',
};

/** Nearest to the eye last. */
const DEPTH_ORDER: readonly PartRole[] = ['back', 'plinth', 'side', 'bottom', 'top', 'stretcher', 'divider', 'shelf'];

/** The front elevation: carcass, fronts, what they hide dashed, and the dimensions a maker sets. */
export function drawElevation(solved: SolvedCabinet, jobName: string): Drawing {
  const { cabinet, box } = solved;
  const toe = box.toeHeight.mm;
  return {
    title: { job: jobName, cabinet: `${cabinet.number} ${cabinet.name}`, view: 'Front elevation' },
    min: { h: 0, v: -toe },
    max: { h: box.width.mm, v: box.height.mm },
    items: [...carcassItems(solved), ...solved.fronts.flatMap((front) => frontItems(front, solved)), ...marks(solved)],
    dimensions: [...widthDimensions(solved), ...heightDimensions(solved), ...stackDimensions(solved)],
  };
}

function rectangleOf(part: Part): { from: DrawingPoint; to: DrawingPoint } {
  const { min, max } = partExtent(part);
  return { from: { h: min[0], v: min[2] }, to: { h: max[0], v: max[2] } };
}

function carcassItems({ parts, fronts }: SolvedCabinet): DrawingItem[] {
  const covers = fronts.map((front) => rectangleOf(front.part));
  const hidden = (rectangle: { from: DrawingPoint; to: DrawingPoint }) =>
    covers.some((cover) => coversMostOf(cover, rectangle));
  const shown = parts.filter(
    (part) => DEPTH_ORDER.includes(part.role) && part.key !== 'plinth/rear' && !part.key.startsWith('plinth/cross'),
  );
  const sorted = [...shown].sort((a, b) => DEPTH_ORDER.indexOf(a.role) - DEPTH_ORDER.indexOf(b.role));
  const regions = sorted
    .filter((part) => part.key !== 'stretcher/rear')
    .map((part): RegionItem => {
      const rectangle = rectangleOf(part);
      return {
        kind: 'region',
        tint: TINT[part.role],
        weight: 'visible',
        ...rectangle,
        shows: part.key,
        ...(part.role === 'back' ? { grain: 'v' as const } : {}),
      };
    });
  // What lies behind a front is drawn again, dashed, over it.
  const dashed = sorted
    .filter((part) => part.role !== 'back' && part.key !== 'stretcher/rear' && hidden(rectangleOf(part)))
    .map(
      (part): RegionItem => ({ kind: 'region', tint: 'void', weight: 'hidden', ...rectangleOf(part), shows: part.key }),
    );
  return [...regions, ...fronts.map((front) => frontRegion(front)), ...dashed];
}

function coversMostOf(
  cover: { from: DrawingPoint; to: DrawingPoint },
  part: { from: DrawingPoint; to: DrawingPoint },
): boolean {
  const h = Math.min(cover.to.h, part.to.h) - Math.max(cover.from.h, part.from.h);
  const v = Math.min(cover.to.v, part.to.v) - Math.max(cover.from.v, part.from.v);
  return h > 0 && v > 0 && h * v > 0.3 * (part.to.h - part.from.h) * (part.to.v - part.from.v);
}

function frontRegion(front: Front): RegionItem {
  const upright = front.part.placement.u === '+z';
  return {
    kind: 'region',
    tint: 'front',
    weight: 'outline',
    ...rectangleOf(front.part),
    grain: upright ? 'v' : 'h',
    shows: front.key,
  };
}

/** A door's swing: two lines from the corners of the opening edge to the middle of the hinge edge. */
function frontItems(front: Front, _solved: SolvedCabinet): DrawingItem[] {
  if (front.kind !== 'door') return [];
  const { from, to } = rectangleOf(front.part);
  const hinge = front.hinged === 'left' ? from.h : to.h;
  const free = front.hinged === 'left' ? to.h : from.h;
  const middle = { h: hinge, v: (from.v + to.v) / 2 };
  const swing: LineItem = {
    kind: 'line',
    weight: 'swing',
    points: [{ h: free, v: to.v }, middle, { h: free, v: from.v }],
    shows: front.key,
  };
  return [swing];
}

/** Marks of the fronts and of what an open bay shows. */
function marks({ rows, parts, fronts, face }: SolvedCabinet): DrawingItem[] {
  const markOf = new Map(rows.flatMap((row) => row.keys.map((key) => [key, row.mark] as const)));
  const centre = (part: Part): DrawingPoint => {
    const { from, to } = rectangleOf(part);
    return { h: (from.h + to.h) / 2, v: (from.v + to.v) / 2 };
  };
  const items: DrawingItem[] = fronts.map((front) => ({
    kind: 'mark',
    at: centre(front.part),
    text: markOf.get(front.key) ?? '',
    shows: front.key,
  }));
  const open = face.ok && face.cells.some((cell) => cell.opening.fill.kind === 'open');
  const back = parts.find((part) => part.role === 'back');
  if (open && face.ok && back) {
    for (const cell of face.cells) {
      if (cell.opening.fill.kind !== 'open') continue;
      const at = {
        h: (cell.clear.left.mm + cell.clear.right.mm) / 2,
        v: cell.clear.bottom.mm + cell.clear.height.mm * 0.5,
      };
      items.push({ kind: 'mark', at, text: markOf.get(back.key) ?? '', shows: back.key });
    }
  }
  return items;
}

function widthDimensions({ cabinet, box, fronts, face, resolved }: SolvedCabinet): DimensionItem[] {
  const items: DimensionItem[] = [
    {
      id: 'width',
      side: 'bottom',
      level: 1,
      from: 0,
      to: box.width.mm,
      dim: box.width,
      edits: `cabinets/${cabinet.id}/size/width`,
    },
    {
      id: 'inside-width',
      side: 'bottom',
      level: 0,
      from: resolved.materials.case.thickness.mm,
      to: box.width.mm - resolved.materials.case.thickness.mm,
      dim: box.insideWidth,
    },
  ];
  const { reveal, gap } = resolved.settings.fronts;
  const here = `cabinets/${cabinet.id}/settings/fronts`;
  const top = topRowOf(fronts);
  const [first] = top;
  const last = top.at(-1);
  if (!face.ok || !first || !last) return items;
  items.push(span('reveal-left', 'top', 0, first.left.mm, reveal.left, `${here}/reveal/left`));
  top.forEach((front, at) => {
    items.push({ ...span(`width-${front.key}`, 'top', front.left.mm, front.right.mm, front.width), shows: front.key });
    const next = top[at + 1];
    if (next) items.push(span(`gap-${front.key}`, 'top', front.right.mm, next.left.mm, gap, `${here}/gap`));
  });
  items.push(span('reveal-right', 'top', last.right.mm, box.width.mm, reveal.right, `${here}/reveal/right`));
  return items;
}

function span(
  id: string,
  side: DimensionItem['side'],
  from: number,
  to: number,
  dim: Dim,
  edits?: string,
): DimensionItem {
  return { id, side, level: 0, from, to, dim, ...(edits ? { edits } : {}) };
}

/** The fronts of the opening that has most of them side by side, uppermost first: they carry the widths. */
function topRowOf(fronts: readonly Front[]): readonly Front[] {
  const rows = new Map<string, Front[]>();
  for (const front of fronts) rows.set(front.openingId, [...(rows.get(front.openingId) ?? []), front]);
  return [...rows.values()].sort((a, b) => b.length - a.length)[0] ?? [];
}

function heightDimensions({ cabinet, box, resolved }: SolvedCabinet): DimensionItem[] {
  const toe = box.toeHeight.mm;
  const path = `cabinets/${cabinet.id}`;
  const overall: DimensionItem = {
    id: 'height',
    side: 'right',
    level: toe > 0 ? 1 : 0,
    from: -toe,
    to: box.height.mm,
    dim: box.overallHeight,
    ...(cabinet.size.height.from === 'overall' ? { edits: `${path}/size/height/mm` } : {}),
  };
  if (toe <= 0) return [overall];
  return [
    { id: 'box-height', side: 'right', level: 0, from: 0, to: box.height.mm, dim: box.height },
    {
      id: 'toe-height',
      side: 'right',
      level: 0,
      from: -toe,
      to: 0,
      dim: resolved.settings.toe.height,
      edits: `${path}/settings/toe/height`,
    },
    overall,
  ];
}

/** The stack, top to bottom: reveals, face heights and gaps; clear openings where those are laid out first. */
function stackDimensions(solved: SolvedCabinet): DimensionItem[] {
  const { face, cabinet, box, resolved } = solved;
  if (!face.ok) return [];
  const { reveal, gap, lay } = resolved.settings.fronts;
  const path = `cabinets/${cabinet.id}`;
  const here = `${path}/settings/fronts`;
  const openingsFirst = lay.value === 'openings';
  const items: DimensionItem[] = [];
  const floor = box.floor.mm;
  const top = floor + box.faceHeight.mm;
  items.push(span('reveal-top', 'left', top - reveal.top.mm, top, reveal.top, `${here}/reveal/top`));
  face.cells.forEach((cell, at) => {
    const pin = `${path}/face/parts/${cell.opening.id}/pin`;
    const front = solved.fronts.find((each) => each.openingId === cell.opening.id);
    items.push({
      ...span(
        `face-${cell.opening.id}`,
        'left',
        cell.face.bottom.mm,
        cell.face.top.mm,
        cell.face.height,
        openingsFirst ? undefined : pin,
      ),
      ...(front ? { shows: front.key } : {}),
    });
    const next = face.cells[at + 1];
    if (next)
      items.push(span(`gap-${cell.opening.id}`, 'left', next.face.top.mm, cell.face.bottom.mm, gap, `${here}/gap`));
    if (openingsFirst)
      items.push({
        ...span(`opening-${cell.opening.id}`, 'left', cell.clear.bottom.mm, cell.clear.top.mm, cell.clear.height, pin),
        level: 1,
      });
  });
  items.push(span('reveal-bottom', 'left', floor, floor + reveal.bottom.mm, reveal.bottom, `${here}/reveal/bottom`));
  return items;
}
