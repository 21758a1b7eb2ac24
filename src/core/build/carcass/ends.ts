import type { Resolved } from '../../decisions/index.js';
import { type Dim, length, type Span, START, spanFrom, spanTo } from '../../ground/index.js';
import { bandsOn, EDGES, type Edge, makePart, type Part } from '../../part/index.js';
import type { BuildContext, Builder, BuilderResult } from '../builder/index.js';
import { backOfFronts } from '../layout/index.js';
import { pocketed, withPockets } from './pocketed.js';

/** True when an end of the box is seen as it is: exposed, and no show panel covers it. */
export function endShows(
  end: 'left' | 'right',
  { settings: { ends }, given }: Pick<Resolved, 'settings' | 'given'>,
): boolean {
  return given[end].what === 'exposed' && ends[`${end}Panel`].value !== 'applied';
}

/** What is added at the ends of the box: applied show panels, and filler strips that meet a wall. */
export const ends: Builder = (context) => {
  const built = (['left', 'right'] as const).flatMap((end) => [
    { parts: endPanel(context, end), screwLines: [] },
    filler(context, end),
  ]);
  return {
    parts: built.flatMap(({ parts = [] }) => parts),
    screwLines: built.flatMap(({ screwLines = [] }) => screwLines),
  };
};

const END_EDGES: Readonly<Record<'front' | 'all' | 'none', readonly Edge[]>> = { front: ['v0'], all: EDGES, none: [] };

/** Beyond the box at one of its ends. */
function beside(width: Dim, end: 'left' | 'right', size: Dim): Span {
  return end === 'left' ? spanTo(START, size) : spanFrom(width, size);
}

function endPanel({ box, resolved }: BuildContext, end: 'left' | 'right'): Part[] {
  const { settings, materials } = resolved;
  if (settings.ends[`${end}Panel`].value !== 'applied') return [];
  const { material, thickness } = materials.end;
  const toFloor = box.underHeight.value > 0;
  const depth = settings.back.kind.value === 'applied' ? box.sideDepth.plus(materials.back.thickness) : box.sideDepth;
  return [
    makePart({
      key: `end/${end}`,
      name: `End panel, ${end}`,
      role: 'end',
      material,
      bands: bandsOn(
        material.form === 'solid' ? [] : END_EDGES[settings.banding.endEdges.value],
        settings.banding.caseThickness,
        settings.banding.preMilling,
      ),
      hand: end,
      stands: {
        x: beside(box.width, end, thickness),
        y: spanFrom(START, depth.because('flush with the frame or carcass front, its rear edge over the back')),
        z: toFloor
          ? { low: length(0).minus(box.underHeight), high: box.height, size: box.height.plus(box.underHeight) }
          : spanFrom(START, box.height),
      },
      axes: { u: '+z', v: '+y', w: end === 'left' ? '-x' : '+x' },
      note: 'screwed from inside the box',
    }),
  ];
}

/**
 * A strip flush with the fronts, and the strip behind it that holds it: screwed to the side, the filler pulled to it from
 * behind with pocket screws. A filler narrower than that strip is thick has none.
 */
function filler(context: BuildContext, end: 'left' | 'right'): BuilderResult {
  const { box, resolved } = context;
  const { settings, materials } = resolved;
  const { ends: at, frame } = settings;
  const panelled = at[`${end}Panel`].value === 'applied';
  if (resolved.given[end].what !== 'wall' || at.filler.value !== 'strip' || frame.fitted.value === 'fitted' || panelled)
    return {};
  const { material, thickness } = materials.front;
  const face = backOfFronts(box, settings).minus(box.frontThickness).as('face of the fronts');
  const strip = materials.end;
  const z = spanFrom(box.floor, box.faceHeight);
  const y = spanFrom(face, thickness.because('flush with the fronts'));
  const front = makePart({
    key: `filler/${end}`,
    name: `Filler, ${end}`,
    role: 'filler',
    material,
    bands:
      settings.banding.fillerEdges.value === 'none' || material.form === 'solid'
        ? []
        : bandsOn([end === 'left' ? 'v1' : 'v0'], settings.banding.frontThickness, settings.banding.preMilling),
    hand: end,
    stands: { x: beside(box.width, end, at.scribe), y, z },
    axes: { u: '+z', v: '+x', w: '+y' },
    note: 'leave the wall edge for scribing',
  });
  if (at.scribe.value < strip.thickness.value) return { parts: [front] };
  const behind = makePart({
    key: `filler/${end}/return`,
    unit: front.key,
    name: `Filler return, ${end}`,
    role: 'filler',
    material: strip.material,
    hand: end,
    stands: { x: beside(box.width, end, strip.thickness), y: spanFrom(y.high, RETURN), z },
    axes: { u: '+z', v: '+y', w: end === 'left' ? '-x' : '+x' },
    piece: { kind: 'strip' },
    note: 'screwed from inside the box',
  });
  const joined = pocketed(context, { part: behind, edge: 'v0', face: 2, into: front, spacing: FILLER_SPACING });
  return withPockets([front, behind], [joined]);
}

/** Pocket screws that hold a filler are at most so far apart (mm). */
const FILLER_SPACING = length(300, 'screws of a filler at most apart');
/** A filler's return strip reaches so far back along the side (mm). */
const RETURN = length(60, 'return strip');
