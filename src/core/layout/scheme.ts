import { type Dim, length } from '../derive/index.js';
import { type DividerKind, isSplit, type Opening, type Resolved } from '../job/index.js';
import type { Box } from './box.js';
import type { Region, SplitAxis } from './region.js';

/** How wide a boundary between two neighbours is, in each of a region's three meanings. All lie on one centre line. */
export interface BoundaryWidths {
  readonly face: Dim;
  readonly clear: Dim;
  readonly inside: Dim;
}

/** How fronts and openings lie to each other: the one thing in which overlay on a box and overlay on a frame differ. */
export interface FaceScheme {
  readonly root: Region;
  boundary(kind: DividerKind, axis: SplitAxis): BoundaryWidths;
}

export function faceScheme(box: Box, resolved: Resolved): FaceScheme {
  return resolved.settings.frame.fitted.value === 'fitted' ? frameScheme(box, resolved) : overlayScheme(box, resolved);
}

function insideOf(box: Box, { materials }: Resolved): Region['inside'] {
  const side = materials.side.thickness;
  return {
    h: {
      low: side.as('inner face of the left side'),
      high: box.width.minus(side).as('inner face of the right side'),
      size: box.insideWidth,
    },
    v: { low: box.bottomTop, high: box.topUnderside, size: box.clearHeight },
  };
}

/** Overlay on the box: dividers stand behind the gaps, centred on them. */
function overlayScheme(box: Box, resolved: Resolved): FaceScheme {
  const { reveal, gap } = resolved.settings.fronts;
  const inside = insideOf(box, resolved);
  return {
    root: {
      face: {
        h: {
          low: reveal.left,
          high: box.width.minus(reveal.right).as('right edge of the fronts'),
          size: box.width.minus(reveal.left).minus(reveal.right).as('face width'),
        },
        v: {
          low: box.floor.plus(reveal.bottom).as('bottom of the fronts'),
          high: box.floor.plus(box.faceHeight).minus(reveal.top).as('top of the fronts'),
          size: box.faceHeight.minus(reveal.top).minus(reveal.bottom).as('height of the fronts'),
        },
      },
      clear: inside,
      inside,
    },
    boundary(kind) {
      const thickness = dividerThickness(kind, resolved);
      return { face: gap, clear: thickness, inside: thickness };
    },
  };
}

/** Overlay on a face frame: openings lie between its members, fronts lap over them. */
function frameScheme(box: Box, resolved: Resolved): FaceScheme {
  const { frame } = resolved.settings;
  const twice = frame.overlay.times(2);
  const low = frame.stileLeft.minus(box.beyondLeft).as('inner edge of the left stile');
  const high = box.width.plus(box.beyondRight).minus(frame.stileRight).as('inner edge of the right stile');
  const lower = box.bottomTop.plus(frame.lip).as('upper edge of the bottom rail');
  const upper = box.height.plus(frame.rise).minus(frame.topRail).as('lower edge of the top rail');
  const clear: Region['clear'] = {
    h: {
      low,
      high,
      size: box.overallWidth.minus(frame.stileLeft).minus(frame.stileRight).as('opening between the stiles'),
    },
    v: { low: lower, high: upper, size: upper.minus(lower).as('opening between the rails') },
  };
  return {
    root: {
      clear,
      inside: insideOf(box, resolved),
      face: {
        h: {
          low: low.minus(frame.overlay).as('left edge of the fronts'),
          high: high.plus(frame.overlay).as('right edge of the fronts'),
          size: clear.h.size.plus(twice).as('face width'),
        },
        v: {
          low: lower.minus(frame.overlay).as('bottom of the fronts'),
          high: upper.plus(frame.overlay).as('top of the fronts'),
          size: clear.v.size.plus(twice).as('height of the fronts'),
        },
      },
    },
    boundary(kind, axis) {
      const member = axis === 'rows' ? frame.midRail : frame.midStile;
      return {
        face: member.minus(twice).as('between two fronts'),
        clear: member,
        inside: dividerThickness(kind, resolved),
      };
    },
  };
}

export function dividerThickness(kind: DividerKind, { materials }: Resolved): Dim {
  switch (kind) {
    case 'stretcher':
      return materials.top.thickness;
    case 'shelf':
      return materials.shelf.thickness;
    case 'web':
      return materials.web.thickness;
    case 'partition':
      return materials.partition.thickness;
    case 'none':
      return length(0, 'no divider');
  }
}

/** Which divider stands after an opening: as decided on it, else the house standard for the two neighbours. */
export function dividerAfter(before: Opening, after: Opening, axis: SplitAxis, { settings }: Resolved): DividerKind {
  const { betweenFronts, atOpenBay, partitions } = settings.dividers;
  const decided = before.divider;
  if (axis === 'columns') return decided === 'partition' || decided === 'none' ? decided : partitions.value;
  if (decided !== undefined && decided !== 'partition') return decided;
  const neighbours = [before.fill, after.fill];
  // Columns stand on what divides the rows: a partition needs more than a stretcher under it.
  if (neighbours.some(isSplit)) return betweenFronts.value === 'web' ? 'web' : 'shelf';
  return neighbours.some((fill) => fill.kind === 'open') ? atOpenBay.value : betweenFronts.value;
}
