import {
  type Design,
  madeOf,
  ownPathTo,
  type Resolved,
  type ResolvedSettings,
  sidesOf,
} from '../../decisions/index.js';
import { laid } from '../../given/index.js';
import { type Dim, length, setting, sumOf } from '../../ground/index.js';
import { jointOf } from '../joints/index.js';

/**
 * The sizes every other rule stands on. All in mm; x from the left face of the box, y from the carcass front edge to
 * the rear, z from the underside of the box (from the floor when the sides stand on it).
 */
export interface Box {
  /** What the maker typed, frame, end panels and fillers included. */
  readonly overallWidth: Dim;
  readonly overallHeight: Dim;
  readonly overallDepth: Dim;
  /** How far frame, end panel or filler reach beyond the box at the left and the right. */
  readonly beyondLeft: Dim;
  readonly beyondRight: Dim;
  /** Width of the box itself. */
  readonly width: Dim;
  /** Height of a plinth or legs under the box; 0 when the sides reach the floor. */
  readonly underHeight: Dim;
  readonly height: Dim;
  /** Front edge to rear edge of a side panel. */
  readonly sideDepth: Dim;
  /** Underside of the bottom. */
  readonly floor: Dim;
  /** What fronts, frame and applied back have to cover. */
  readonly faceHeight: Dim;
  readonly insideWidth: Dim;
  /** Upper face of the bottom. */
  readonly bottomTop: Dim;
  /** Upper face of the top: the box height less what it is set down by. */
  readonly topLevel: Dim;
  /** Underside of the top panel or the stretchers. */
  readonly topUnderside: Dim;
  readonly clearHeight: Dim;
  /** Rear edge to the back groove's rear wall. */
  readonly grooveOffset: Dim;
  readonly grooveWidth: Dim;
  /** How far a grooved back enters each captured edge. */
  readonly backHold: Dim;
  /** Width of the step a rabbeted back lies in. */
  readonly backRabbetWidth: Dim;
  /** Front edge to the face of the back. */
  readonly clearDepth: Dim;
  /** True when the sides stand on the bottom; it needs a floor or plinth under it. */
  readonly bottomUnder: boolean;
  /** True when a full top lies over the sides. */
  readonly topOver: boolean;
  /** Front to rear of the bottom, and of a full top. */
  readonly bottomDepth: Dim;
  readonly topDepth: Dim;
  /** Face to back of the fronts; of the thickest where they are made in several ways. */
  readonly frontThickness: Dim;
  /** The plane fronts close against, from the carcass front edge, positive to the rear. */
  readonly mountingPlane: Dim;
  /** How far the bottom and its like enter each side: 0 for butt joints. */
  readonly engagement: { readonly bottom: Dim; readonly top: Dim; readonly shelf: Dim; readonly partition: Dim };
}

/** Overall sizes to box sizes. */
export function deriveBox(cabinet: Design, resolved: Resolved): Box {
  const { settings, materials, given } = resolved;
  // A level or an edge that was measured holds from here on.
  const read = (dim: Dim) => laid(given.facts, dim);
  const overallWidth = setting('overall width', cabinet.size.width, {
    kind: 'here',
    path: ownPathTo.field('size/width'),
  }).at('box.overallWidth');
  const overallDepth = setting('overall depth', cabinet.size.depth, {
    kind: 'here',
    path: ownPathTo.field('size/depth'),
  }).at('box.overallDepth');
  const overallHeight = deriveHeight(cabinet, settings.worktop.thickness);
  const [beyondLeft, beyondRight] = [beyondEnd('left', resolved), beyondEnd('right', resolved)];
  const beyond = [beyondLeft, beyondRight].filter((reach) => reach.value !== 0);
  const width = read(beyond.length > 0 ? overallWidth.minus(sumOf(beyond)).as('box width', 'box.width') : overallWidth);

  const toe = settings.toe.kind.value;
  const standsOnSomething = toe === 'plinth' || toe === 'legs';
  const underHeight = standsOnSomething ? settings.toe.height : length(0, 'height under the box');
  const height = read(
    (standsOnSomething ? overallHeight.minus(underHeight) : overallHeight).as('box height', 'box.height'),
  );
  const floor =
    toe === 'notched' || toe === 'standing'
      ? settings.toe.height.as('underside of the bottom', 'box.floor').because('the sides reach the floor')
      : length(0, 'underside of the bottom').at('box.floor');

  const sideDepth = read(deriveSideDepth(overallDepth, resolved));
  const bottomTop = read(floor.plus(materials.bottom.thickness).as('upper face of the bottom', 'box.bottomTop'));
  const topLevel =
    settings.top.recess.value > 0
      ? height.minus(settings.top.recess).as('upper face of the top', 'box.topLevel')
      : height;
  const topUnderside = read(deriveTopUnderside(topLevel, resolved));

  const grooveOffset = deriveGrooveOffset(resolved);
  const grooveWidth =
    settings.back.cut.value === 'cutter'
      ? settings.back.cutter.as('back groove width', 'box.grooveWidth').because('the groove is one pass of the cutter')
      : materials.back.thickness.plus(settings.back.slip).as('back groove width', 'box.grooveWidth');
  const bottomUnder = settings.bottom.place.value === 'under' && floor.value === 0;
  const topOver =
    settings.top.kind.value === 'full' && settings.top.place.value === 'over' && settings.top.recess.value === 0;
  const backRabbetWidth = materials.back.thickness
    .plus(settings.back.slip)
    .as('back rabbet width', 'box.backRabbetWidth');
  return {
    overallWidth,
    overallHeight,
    overallDepth,
    beyondLeft,
    beyondRight,
    width,
    underHeight,
    height,
    sideDepth,
    floor,
    faceHeight: height.minus(floor).as('face height', 'box.faceHeight'),
    insideWidth: read(lessSides(width, resolved).as('inside width', 'box.insideWidth')),
    bottomTop,
    topLevel,
    topUnderside,
    clearHeight: read(topUnderside.minus(bottomTop).as('clear height', 'box.clearHeight')),
    grooveOffset,
    grooveWidth,
    backHold: settings.back.grooveDepth.minus(settings.back.ease).as('held in each groove', 'box.backHold'),
    backRabbetWidth,
    clearDepth: read(deriveClearDepth({ sideDepth, grooveOffset, grooveWidth, backRabbetWidth }, resolved)),
    bottomUnder,
    topOver,
    bottomDepth: deriveBottomDepth({ sideDepth, grooveOffset, grooveWidth, backRabbetWidth }, bottomUnder, resolved),
    topDepth:
      settings.back.kind.value === 'rabbeted' && !topOver
        ? sideDepth.minus(backRabbetWidth).as('top depth', 'box.topDepth').because('the top stops at the rabbeted back')
        : sideDepth.as('top depth', 'box.topDepth'),
    frontThickness: deriveFrontThickness(resolved),
    mountingPlane: deriveMountingPlane(resolved),
    engagement: {
      bottom: engagementOf('bottom', resolved),
      top: engagementOf('top', resolved),
      shelf: engagementOf('shelf', resolved),
      partition: engagementOf('partition', resolved),
    },
  };
}

/** What is left between the sides: their thickness twice, or each of them where they are of two kinds. */
function lessSides(width: Dim, resolved: Resolved): Dim {
  const { left, right } = sidesOf(resolved);
  return left === right ? width.minus(left.thickness.times(2)) : width.minus(left.thickness).minus(right.thickness);
}

function deriveHeight(cabinet: Design, worktop: Dim): Dim {
  const { height } = cabinet.size;
  if (height.from === 'overall')
    return setting('overall height', height.mm, { kind: 'here', path: ownPathTo.field('size/height/mm') }).at(
      'box.overallHeight',
    );
  return setting('finished worktop height', height.finished, {
    kind: 'here',
    path: ownPathTo.field('size/height/finished'),
  })
    .minus(worktop)
    .as('overall height', 'box.overallHeight');
}

/** What reaches beyond the box at an end: an applied end panel, and a frame's overhang or a filler strip at a wall. */
function beyondEnd(end: 'left' | 'right', { settings, materials, given }: Resolved): Dim {
  const kind = given[end].what;
  const label = `beyond the box, ${end}`;
  const address = end === 'left' ? 'box.beyondLeft' : 'box.beyondRight';
  const panel =
    settings.ends[`${end}Panel`].value === 'applied' ? materials.end.thickness.as('end panel thickness') : undefined;
  if (settings.frame.fitted.value === 'fitted') {
    const overhang =
      kind === 'wall'
        ? reachToWall(settings)
        : kind === 'exposed'
          ? settings.frame.overhangExposed
          : settings.frame.overhangNeighbour;
    return (panel ? overhang.plus(panel) : overhang).as(label, address);
  }
  if (panel) return panel.as(label, address);
  if (kind === 'wall' && settings.ends.filler.value === 'strip')
    return settings.ends.scribe.as(label, address).because('a filler strip meets the wall');
  return length(0, label).at(address);
}

/** How far a frame goes on beyond the box at a wall: what is left for scribing and the filler it carries. */
export function reachToWall({ ends, frame }: ResolvedSettings): Dim {
  return frame.filler.value > 0 ? ends.scribe.plus(frame.filler).as('scribe and filler') : ends.scribe;
}

/** S = D − front and bumper (when D runs to the face of the fronts) − frame thickness − applied back thickness. */
function deriveSideDepth(overallDepth: Dim, resolved: Resolved): Dim {
  const { settings, materials } = resolved;
  let depth = overallDepth;
  // Inset fronts take nothing off; lipped ones only what stands before the case.
  if (settings.depth.means.value === 'fronts' && settings.fronts.fit.value !== 'inset') {
    depth = depth.minus(deriveFrontThickness(resolved));
    if (settings.fronts.fit.value === 'lipped') depth = depth.plus(settings.fronts.rebateDepth);
    else if (settings.depth.bumper.value > 0) depth = depth.minus(settings.depth.bumper);
  }
  if (settings.frame.fitted.value === 'fitted') depth = depth.minus(materials.frame.thickness.as('frame thickness'));
  if (settings.back.kind.value === 'applied')
    depth = depth.minus(materials.back.thickness.as('applied back thickness'));
  return depth
    .as('side depth', 'box.sideDepth')
    .because(
      `the overall depth runs to ${settings.depth.means.value === 'fronts' ? 'the face of the fronts' : 'the front of carcass or frame'}`,
    );
}

/** A framed front is as thick as its frame, a trimmed one as slab and trim together. */
export function deriveFrontThickness({ settings, materials }: Resolved): Dim {
  switch (settings.making.kind.value) {
    case 'slab':
      return materials.front.thickness.as('front thickness', 'box.frontThickness');
    case 'stick':
    case 'mitred':
      return materials.doorFrame.thickness.as('front thickness', 'box.frontThickness');
    case 'trim':
      return materials.front.thickness.plus(settings.making.trimThickness).as('front thickness', 'box.frontThickness');
  }
}

/** yM = (−frame thickness with a frame, else 0) + (front thickness when inset; rebate depth when lipped; 0 when overlay). */
function deriveMountingPlane(resolved: Resolved): Dim {
  const { settings, materials } = resolved;
  const framed = settings.frame.fitted.value === 'fitted';
  const base = framed ? length(0).minus(materials.frame.thickness.as('frame thickness')) : length(0);
  switch (settings.fronts.fit.value) {
    case 'overlay':
      return base
        .as('mounting plane', 'box.mountingPlane')
        .because('overlay fronts close against the front of carcass or frame');
    case 'inset':
      return base
        .plus(deriveFrontThickness(resolved))
        .as('mounting plane', 'box.mountingPlane')
        .because('inset fronts lie flush in the opening');
    case 'lipped':
      return base
        .plus(settings.fronts.rebateDepth)
        .as('mounting plane', 'box.mountingPlane')
        .because('lipped fronts enter the opening by their rebate');
  }
}

/** Where the backs of the fronts lie: overlay fronts stand off by their bumpers; inset and lipped ones go home. */
export function backOfFronts({ mountingPlane }: Box, { fronts, depth }: ResolvedSettings): Dim {
  return fronts.fit.value === 'overlay' && depth.bumper.value > 0 ? mountingPlane.minus(depth.bumper) : mountingPlane;
}

/** Go: one nailer thickness, so that the nailer ends flush, or the distance that was set. */
function deriveGrooveOffset({ settings, materials }: Resolved): Dim {
  return settings.back.offsetFrom.value === 'nailer'
    ? materials.nailer.thickness
        .as('back groove from the rear edge', 'box.grooveOffset')
        .because('the nailer ends flush behind the back')
    : settings.back.offset;
}

function deriveTopUnderside(topLevel: Dim, resolved: Resolved): Dim {
  const { settings, materials } = resolved;
  switch (settings.top.kind.value) {
    case 'full':
      return topLevel.minus(madeOf(resolved, 'top', 'top').thickness).as('underside of the top', 'box.topUnderside');
    case 'web':
      return topLevel.minus(materials.web.thickness).as('underside of the top frame', 'box.topUnderside');
    case 'stretchers':
    case 'uprightRear':
      return topLevel.minus(materials.top.thickness).as('underside of the stretchers', 'box.topUnderside');
    case 'uprightFront':
      return topLevel.minus(settings.top.stretcherWidth).as('underside of the upright stretcher', 'box.topUnderside');
    case 'none':
      return topLevel.as('upper edge of the opening', 'box.topUnderside').because('the top is fitted on site');
  }
}

interface Depths {
  readonly sideDepth: Dim;
  readonly grooveOffset: Dim;
  readonly grooveWidth: Dim;
  readonly backRabbetWidth: Dim;
}

function deriveClearDepth(depths: Depths, { settings, materials }: Resolved): Dim {
  const { sideDepth } = depths;
  switch (settings.back.kind.value) {
    case 'grooved':
      return sideDepth.minus(depths.grooveOffset).minus(depths.grooveWidth).as('clear depth', 'box.clearDepth');
    case 'rabbeted':
      return sideDepth.minus(depths.backRabbetWidth).as('clear depth', 'box.clearDepth');
    case 'structural':
      return sideDepth.minus(materials.back.thickness).as('clear depth', 'box.clearDepth');
    case 'applied':
    case 'none':
      return sideDepth.as('clear depth', 'box.clearDepth');
  }
}

function deriveBottomDepth(depths: Depths, bottomUnder: boolean, { settings }: Resolved): Dim {
  const { sideDepth } = depths;
  const { kind, bottomEdge } = settings.back;
  if (kind.value === 'rabbeted' && !bottomUnder)
    return sideDepth
      .minus(depths.backRabbetWidth)
      .as('bottom depth', 'box.bottomDepth')
      .because('the bottom stops at the rabbeted back');
  if (kind.value === 'grooved' && bottomEdge.value === 'past')
    return sideDepth
      .minus(depths.grooveOffset)
      .minus(depths.grooveWidth)
      .as('bottom depth', 'box.bottomDepth')
      .because('the back runs past a shortened bottom');
  return sideDepth.as('bottom depth', 'box.bottomDepth');
}

/** d: how far a horizontal enters what holds it. */
function engagementOf(where: 'bottom' | 'top' | 'shelf' | 'partition', { settings }: Resolved): Dim {
  return jointOf(settings.joints[where].value).enters?.(settings) ?? length(0, 'no engagement');
}
