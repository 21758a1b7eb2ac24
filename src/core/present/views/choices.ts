import { type Joint, jointOf } from '../../build/index.js';
import { type Cabinet, type JobHead, type Opening, withSetting } from '../../decisions/index.js';
import { type DrawingItem, type DrawingPoint, regionBetween } from '../../part/index.js';
import { type SolvedCabinet, solveCabinet } from '../../solve/index.js';
import { type CutPlane, cutItems } from './cut.js';
import { drawElevation } from './elevation.js';
import { type Picture, pictureOf } from './thumbnail.js';

/** Which small view shows best what a choice means. */
type View =
  | 'right corner'
  | 'shelf joint'
  | 'partition joint'
  | 'elevation'
  | 'section'
  | 'toe'
  | 'top'
  | 'bottom corner'
  | 'top corner'
  | 'rear corner'
  | 'front corner'
  | 'lower rear';

const VIEW_OF: Readonly<Record<string, View>> = {
  school: 'elevation',
  'fronts/lay': 'elevation',
  'dividers/betweenFronts': 'section',
  'dividers/atOpenBay': 'section',
  'dividers/partitions': 'elevation',
  'making/drawers': 'elevation',
  'depth/means': 'top',
  'toe/kind': 'toe',
  'toe/board': 'toe',
  'top/kind': 'top',
  'top/place': 'top corner',
  'bottom/place': 'bottom corner',
  'joints/bottom': 'bottom corner',
  'joints/top': 'top corner',
  'joints/shelf': 'shelf joint',
  'joints/partition': 'partition joint',
  'back/kind': 'rear corner',
  'back/bottomEdge': 'lower rear',
  'back/cut': 'rear corner',
  'back/offsetFrom': 'rear corner',
  'nailer/rails': 'section',
  'ends/left': 'elevation',
  'ends/right': 'elevation',
  'ends/leftPanel': 'front corner',
  'ends/rightPanel': 'right corner',
  'ends/filler': 'front corner',
  'frame/fitted': 'front corner',
  'fronts/fit': 'front corner',
  'making/kind': 'elevation',
  'frame/attachment': 'front corner',
};

/** True when a choice has small drawings. */
export function hasChoicePicture(path: string): boolean {
  return path in VIEW_OF;
}

/** Half the side of a corner view (mm): large enough to know the corner, small enough to see the joint. */
const CORNER = 46;

/**
 * The cabinet as it would be with an option chosen, seen where the choice makes the difference. It is the real cabinet,
 * solved with that option, so the picture cannot say anything the parts do not.
 */
export function drawChoice(head: JobHead, cabinet: Cabinet, path: string, option: string): Picture | undefined {
  const view = VIEW_OF[path];
  if (!view) return undefined;
  const settings = withSetting(cabinet.settings, path.split('/'), option);
  return drawView(solveCabinet(head, { ...cabinet, settings, face: faceFor(view, cabinet) }), view);
}

/** A joint is shown where there is one: the same box, divided so that it has it. */
function faceFor(view: View, { face }: Cabinet): Cabinet['face'] {
  if (view !== 'shelf joint' && view !== 'partition joint') return face;
  const bay = (id: string): Opening => ({
    id,
    size: { rule: 'share', weight: 1 },
    divider: view === 'shelf joint' ? 'shelf' : 'partition',
    fill: { kind: 'open' },
  });
  return {
    kind: view === 'shelf joint' ? 'rows' : 'columns',
    graduation: face.graduation,
    parts: [bay('o1'), bay('o2')],
  };
}

function drawView(solved: SolvedCabinet, view: View): Picture {
  const { box } = solved;
  const square = (h: number, v: number, half = CORNER): [DrawingPoint, DrawingPoint] => [
    { h: h - half, v: v - half },
    { h: h + half, v: v + half },
  ];
  const cut = (plane: CutPlane) => [...cutItems(solved, plane), ...(plane.normal === 'y' ? fasteners(solved) : [])];
  const middle: CutPlane = { normal: 'x', at: box.width.value / 2 + 1 };
  const under = box.underHeight.value;
  switch (view) {
    case 'elevation': {
      const { items, min, max } = drawElevation(solved, '');
      return pictureOf(items, min, max);
    }
    case 'section':
      return pictureOf(cut(middle), { h: -40, v: -under }, { h: box.sideDepth.value + 20, v: box.height.value });
    case 'toe':
      return pictureOf(cut(middle), { h: -50, v: -under }, { h: 190, v: -under + 240 });
    case 'top':
      return pictureOf(
        cut(middle),
        { h: -50, v: box.height.value - 190 },
        { h: box.sideDepth.value + 30, v: box.height.value + 40 },
      );
    case 'bottom corner':
      return pictureOf(cut({ normal: 'y', at: box.sideDepth.value / 2 }), ...square(28, box.bottomTop.value - 5));
    case 'top corner':
      return pictureOf(cut({ normal: 'y', at: 30 }), ...square(28, box.topUnderside.value + 5));
    case 'rear corner':
      return pictureOf(
        cut({ normal: 'z', at: box.bottomTop.value + box.clearHeight.value / 2 }),
        ...square(28, box.sideDepth.value - 26),
      );
    case 'lower rear':
      return pictureOf(cut(middle), ...square(box.sideDepth.value - 30, box.bottomTop.value));
    case 'right corner':
      return pictureOf(
        cut({ normal: 'z', at: box.bottomTop.value + box.clearHeight.value / 2 }),
        ...square(box.width.value - 15, 25),
      );
    case 'shelf joint':
      return pictureOf(cut({ normal: 'y', at: box.clearDepth.value / 2 }), ...square(28, dividerAt(solved)));
    case 'partition joint':
      return pictureOf(
        cut({ normal: 'y', at: box.clearDepth.value / 2 }),
        ...square(dividerAt(solved), box.bottomTop.value),
      );
    case 'front corner':
      return pictureOf(cut({ normal: 'z', at: box.bottomTop.value + box.clearHeight.value / 2 }), ...square(15, 25));
  }
}

/** Middle of the first divider: its height in rows, its place from the left in columns. */
function dividerAt({ face }: SolvedCabinet): number {
  return face.ok ? (face.boundaries[0]?.centre.value ?? 0) : 0;
}

/** Screws, dowels, tenons and pocket screws of the joints with the uprights, as seen in a cut along the face. */
function fasteners({ joints, resolved }: SolvedCabinet): DrawingItem[] {
  return joints.flatMap((joint) => fastener(joint, resolved));
}

function fastener(joint: Joint, { settings, materials }: SolvedCabinet['resolved']): DrawingItem[] {
  // What is joined on edge is seen end on, or not at all.
  if (joint.runs === 'along') return [];
  const level = joint.normal === 'x';
  const middle = joint.level.value + joint.thickness.value / 2;
  const inward = joint.member?.end === 'u1' ? -1 : 1;
  /** `into` runs from the receiving face into what joins, `across` along that face. */
  const at = (into: number, across = 0): DrawingPoint => {
    const [along, beside] = [joint.plane + inward * into, middle + across];
    return level ? { h: along, v: beside } : { h: beside, v: along };
  };
  const bar = (from: number, to: number, height: number): DrawingItem => {
    const [a, b] = [at(from, -height / 2), at(to, height / 2)];
    return regionBetween(a, b, { tint: 'machining', weight: 'visible' });
  };
  return (jointOf(joint.kind).fastened?.seen({ settings, materials }, joint) ?? []).map((seen) =>
    seen.kind === 'bar'
      ? bar(seen.from, seen.to, seen.height)
      : { kind: 'line', weight: 'outline', points: seen.points.map(([into, across]) => at(into, across)) },
  );
}
