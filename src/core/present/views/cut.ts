import type { Bay } from '../../build/index.js';
import { pathTo, type SettingPath } from '../../decisions/index.js';
import { length } from '../../ground/index.js';
import {
  type DimensionItem,
  type Drawing,
  type DrawingItem,
  type DrawingPoint,
  dimension,
  isRectangle,
  overall,
  type Part,
  type Point,
  planOutline,
  TINT,
  toCabinet,
} from '../../part/index.js';
import type { SolvedCabinet } from '../../solve/index.js';
import { bodyItems } from './bodies.js';
import { shelfHandles } from './handles.js';
import { cutKey } from './panel.js';
import { zoneItems } from './zones.js';

/** Where the cabinet is cut: across it (side view), along its face, or level (plan). The position in mm. */
export interface CutPlane {
  readonly normal: 'x' | 'y' | 'z';
  readonly at: number;
}

const INDEX = { x: 0, y: 1, z: 2 } as const;
/** Which cabinet axes run to the right and upwards in a cut. */
const VIEW = { x: ['y', 'z'], y: ['x', 'z'], z: ['x', 'y'] } as const;

/** Cuts the cabinet: what the plane meets is hatched, what lies beyond it is outlined. A plan is seen from above. */
export function cutItems({ parts }: SolvedCabinet, plane: CutPlane): DrawingItem[] {
  const normal = INDEX[plane.normal];
  const { at } = plane;
  const down = plane.normal === 'z';
  const seen = parts
    .map((part) => ({ part, extent: part.extent }))
    .filter(({ extent }) => (down ? extent.min[normal] < at : extent.max[normal] > at));
  // From the far end towards the plane; of those cut, thick parts first, so that a back shows in its groove.
  const beyond = seen
    .filter(({ extent }) => (down ? extent.max[normal] <= at : extent.min[normal] >= at))
    .sort((a, b) => (down ? a.extent.max[normal] - b.extent.max[normal] : b.extent.min[normal] - a.extent.min[normal]));
  const cut = seen
    .filter(({ extent }) => extent.min[normal] < at && extent.max[normal] > at)
    .sort((a, b) => upright(b.part) - upright(a.part) || b.part.thickness.value - a.part.thickness.value);
  return [
    ...beyond.map(({ part }) => outline(part, plane, false)),
    ...cut.map(({ part }) => outline(part, plane, true)),
  ];
}

/** Uprights are drawn before what is let into them. */
function upright(part: Part): number {
  return part.placement.w[1] === 'x' ? 1 : 0;
}

function flat(point: Point, plane: CutPlane): DrawingPoint {
  const [h, v] = VIEW[plane.normal];
  return { h: point[INDEX[h]], v: point[INDEX[v]] };
}

function outline(part: Part, plane: CutPlane, cut: boolean): DrawingItem {
  const { min, max } = part.extent;
  const tint = TINT[part.role];
  if (part.placement.w[1] === plane.normal && !isRectangle(part)) {
    const points = planOutline(part).map(([u, v]) => flat(toCabinet(part.placement, u, v, 0), plane));
    return { kind: 'shape', tint, weight: cut ? 'outline' : 'visible', points, shows: part.key };
  }
  return {
    kind: 'region',
    tint,
    weight: cut ? 'outline' : 'visible',
    from: flat(min, plane),
    to: flat(max, plane),
    shows: part.key,
    ...(cut ? { cut: true } : {}),
  };
}

/** The side cut: back, nailers, stretchers, shelves and toe, seen through the middle of the first opening. */
export function drawSection(solved: SolvedCabinet, jobName: string): Drawing {
  const { cabinet, box } = solved;
  const at = sectionPlane(solved);
  const front = Math.min(0, ...solved.parts.map((part) => part.extent.min[1]));
  const rear = Math.max(box.sideDepth.value, ...solved.parts.map((part) => part.extent.max[1]));
  return {
    title: { job: jobName, cabinet: `${cabinet.number} ${cabinet.name}`, view: 'Side section' },
    min: { h: front, v: -box.underHeight.value },
    max: { h: rear, v: box.height.value },
    items: [
      ...cutItems(solved, { normal: 'x', at }),
      ...pinHoles(solved),
      ...bodyItems(solved, 'y', 'z'),
      ...zoneItems(solved, 'y', 'z'),
    ],
    dimensions: sectionDimensions(solved, front),
    spots: { h: 'y', v: 'z' },
    handles: shelfHandles(solved, () => shelfDepth(solved)).filter(({ shows }) => cutBy(solved, shows, at)),
  };
}

/** Where the side section is taken (mm from the left of the box): through the middle of the first opening. */
function sectionPlane(solved: SolvedCabinet): number {
  const { box, face } = solved;
  const cell = face.ok ? face.cells[0] : undefined;
  return besideUprights(solved, cell ? (cell.inside.h.low.value + cell.inside.h.high.value) / 2 : box.width.value / 2);
}

/** A column of pin holes in the upright seen behind a room that the side section cuts. */
export interface PinColumn {
  readonly bay: Bay;
  readonly upright: Part;
  readonly holes: readonly DrawingPoint[];
  readonly diameter: number;
  /** Key under which it is selected. */
  readonly shows: string;
}

/** The columns of pin holes that are seen on the side section. */
export function pinColumns(solved: SolvedCabinet): PinColumn[] {
  const { bays, parts } = solved;
  const x = sectionPlane(solved);
  return bays.flatMap((bay) => {
    const { low, high } = bay.room.inside.h;
    const upright = parts.find(({ key }) => key === bay.right?.key);
    if (!upright || low.value > x || high.value < x) return [];
    return upright.machining.flatMap((operation, at): PinColumn[] => {
      if (operation.kind !== 'holes' || operation.by.kind !== 'pins' || operation.by.opening !== bay.room.id) return [];
      const holes = operation.positions.map(({ value: mm }) =>
        flat(toCabinet(upright.placement, mm, operation.offset.value, 0), { normal: 'x', at: x }),
      );
      return [{ bay, upright, holes, diameter: operation.diameter.value, shows: cutKey(upright.key, at) }];
    });
  });
}

function pinHoles(solved: SolvedCabinet): DrawingItem[] {
  return pinColumns(solved).flatMap(({ holes, diameter, shows }) =>
    holes.map((at): DrawingItem => ({ kind: 'hole', at, diameter, weight: 'visible', shows })),
  );
}

/** Never along an upright in the middle: through the room at the left of it instead. */
function besideUprights({ parts, interiors }: SolvedCabinet, x: number): number {
  const upright = parts.find(
    ({ role, extent: { min, max } }) => role === 'partition' && min[0] < x + 1 && max[0] > x - 1,
  );
  if (!upright) return x;
  const beside = interiors.compartments.find(
    ({ inside: { h, v } }) =>
      Math.abs(h.high.value - upright.extent.min[0]) < 1 &&
      v.low.value < upright.extent.max[2] &&
      v.high.value > upright.extent.min[2],
  );
  return beside ? (beside.inside.h.low.value + beside.inside.h.high.value) / 2 : x;
}

/** Front and rear edge of the adjustable shelves. */
function shelfDepth({ parts, box }: SolvedCabinet) {
  const shelf = parts.find((part) => part.role === 'shelf');
  const { min, max } = shelf ? shelf.extent : { min: [0, 0], max: [0, box.clearDepth.value] };
  return { low: length(min[1] as number), high: length(max[1] as number) };
}

function cutBy({ parts }: SolvedCabinet, key: string, x: number): boolean {
  const part = parts.find((each) => each.key === key);
  if (!part) return false;
  const { min, max } = part.extent;
  return min[0] < x && max[0] > x;
}

function sectionDimensions({ cabinet, box, resolved, parts }: SolvedCabinet, front: number): DimensionItem[] {
  const { settings } = resolved;
  const set = (path: SettingPath) => pathTo.setting(cabinet.id, path);
  const rear = box.sideDepth.value;
  const items = [
    overall(dimension('section-clear-depth', 'top', 0, 0, box.clearDepth.value, box.clearDepth)),
    overall(dimension('section-side-depth', 'top', 1, 0, rear, box.sideDepth)),
    dimension('section-clear-height', 'left', 0, box.bottomTop.value, box.topUnderside.value, box.clearHeight),
  ];
  const reach = settings.depth.means.value === 'fronts' ? front : Math.min(0, box.mountingPlane.value);
  const back = parts.find((part) => part.key === 'back');
  const end = settings.back.kind.value === 'applied' && back ? back.extent.max[1] : rear;
  if (Math.abs(end - reach - box.overallDepth.value) < 0.01)
    items.push(
      overall(
        dimension(
          'section-depth',
          'bottom',
          1,
          reach,
          end,
          box.overallDepth,
          pathTo.cabinetField(cabinet.id, 'size/depth'),
        ),
      ),
    );
  if (settings.back.kind.value === 'grooved')
    items.push({
      ...dimension(
        'section-groove',
        'top',
        0,
        rear - box.grooveOffset.value,
        rear,
        box.grooveOffset,
        set('back/offset'),
      ),
      // A groove that follows the nailer is set free by typing where it should be.
      alongside: [{ path: set('back/offsetFrom'), value: 'set' }],
    });
  const toe = settings.toe;
  if (box.underHeight.value > 0) {
    items.push(dimension('section-toe', 'right', 0, -box.underHeight.value, 0, toe.height, set('toe/height')));
    items.push(dimension('section-height', 'right', 0, 0, box.height.value, box.height));
  } else {
    items.push(dimension('section-height', 'right', 0, 0, box.height.value, box.height));
    if (box.floor.value > 0)
      items.push(dimension('section-toe', 'left', 0, 0, toe.height.value, toe.height, set('toe/height')));
  }
  const boarded = parts.some((part) => part.role === 'plinth');
  if (boarded)
    items.push(dimension('section-toe-setback', 'bottom', 0, 0, toe.setback.value, toe.setback, set('toe/setback')));
  return items;
}
