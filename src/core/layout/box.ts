import { type Dim, length, setting } from '../derive/index.js';
import type { Cabinet, Resolved } from '../job/index.js';

/** The sizes every other rule stands on. All in mm, z from the underside of the box. */
export interface Box {
  readonly width: Dim;
  /** Overall height from the floor (base) or from the lower edge (wall). */
  readonly overallHeight: Dim;
  readonly overallDepth: Dim;
  /** Height of what stands under the box; 0 without a toe. */
  readonly toeHeight: Dim;
  /** Height of the box itself. */
  readonly height: Dim;
  /** Front edge to rear edge of a side panel. */
  readonly sideDepth: Dim;
  /** Underside of the bottom. */
  readonly floor: Dim;
  /** What fronts and applied backs have to cover. */
  readonly faceHeight: Dim;
  readonly insideWidth: Dim;
  /** Upper face of the bottom. */
  readonly bottomTop: Dim;
  /** Underside of the top panel or the stretchers. */
  readonly topUnderside: Dim;
  readonly clearHeight: Dim;
  /** Rear edge to the back groove's rear wall. */
  readonly grooveOffset: Dim;
  readonly grooveWidth: Dim;
  /** How far the back enters each captured edge. */
  readonly backHold: Dim;
  /** Front edge to the face of the back. */
  readonly clearDepth: Dim;
  /** The plane fronts close against, from the carcass front edge, positive to the rear. */
  readonly mountingPlane: Dim;
}

/** Overall sizes to box sizes, for a frameless box with a grooved back and overlay fronts. */
export function deriveBox(cabinet: Cabinet, { settings, materials }: Resolved): Box {
  const path = `cabinets/${cabinet.id}/size`;
  const width = setting('overall width', cabinet.size.width, { kind: 'here', path: `${path}/width` });
  const overallDepth = setting('overall depth', cabinet.size.depth, { kind: 'here', path: `${path}/depth` });
  const overallHeight = deriveHeight(cabinet, settings.worktop.thickness);
  const side = materials.case.thickness;

  const standsOnPlinth = settings.toe.kind.value === 'plinth';
  const toeHeight = standsOnPlinth ? settings.toe.height : length(0, 'toe height').because('there is no toe');
  const height = (standsOnPlinth ? overallHeight.minus(toeHeight) : overallHeight).as('box height');

  const sideDepth = deriveSideDepth(overallDepth, settings, materials);
  const floor = length(0, 'underside of the bottom');
  const bottomTop = floor.plus(side).as('upper face of the bottom');
  const topUnderside = height
    .minus(side)
    .as(settings.top.kind.value === 'full' ? 'underside of the top' : 'underside of the stretchers');
  const grooveOffset =
    settings.back.offsetFrom.value === 'nailer'
      ? materials.nailer.thickness.as('back groove from the rear edge').because('the nailer ends flush behind the back')
      : settings.back.offset;
  const grooveWidth = materials.back.thickness.plus(settings.back.slip).as('back groove width');
  return {
    width,
    overallHeight,
    overallDepth,
    toeHeight,
    height,
    sideDepth,
    floor,
    faceHeight: height.minus(floor).as('face height'),
    insideWidth: width.minus(side.times(2)).as('inside width'),
    bottomTop,
    topUnderside,
    clearHeight: topUnderside.minus(bottomTop).as('clear height'),
    grooveOffset,
    grooveWidth,
    backHold: settings.back.grooveDepth.minus(settings.back.ease).as('held in each groove'),
    clearDepth: sideDepth.minus(grooveOffset).minus(grooveWidth).as('clear depth'),
    mountingPlane: length(0, 'mounting plane').because('overlay fronts close against the carcass front edge'),
  };
}

function deriveHeight(cabinet: Cabinet, worktop: Dim): Dim {
  const path = `cabinets/${cabinet.id}/size/height`;
  const { height } = cabinet.size;
  if (height.from === 'overall') return setting('overall height', height.mm, { kind: 'here', path: `${path}/mm` });
  return setting('finished worktop height', height.finished, { kind: 'here', path: `${path}/finished` })
    .minus(worktop)
    .as('overall height');
}

/** S = D, less the front and its bumper when the depth runs to the face of overlay fronts. */
function deriveSideDepth(overallDepth: Dim, settings: Resolved['settings'], materials: Resolved['materials']): Dim {
  if (settings.depth.means.value === 'carcass')
    return overallDepth.as('side depth').because('the overall depth runs to the carcass front edge');
  return overallDepth
    .minus(materials.front.thickness.as('front thickness'))
    .minus(settings.depth.bumper)
    .as('side depth')
    .because('the overall depth runs to the face of the fronts');
}
