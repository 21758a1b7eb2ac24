import {
  type DividerKind,
  isFill,
  isSplit,
  madeOf,
  type Opening,
  type Resolved,
  sidesOf,
} from '../../decisions/index.js';
import { type Dim, decidedHere, length, type Span } from '../../ground/index.js';
import { partKeys } from '../../part/index.js';
import { type Box, reachToWall } from './box.js';
import { asRead, type Region, type SplitAxis } from './region.js';

/** How wide a boundary between two neighbours is, in each of a region's three meanings. All lie on one centre line. */
export interface BoundaryWidths {
  readonly face: Dim;
  readonly clear: Dim;
  readonly inside: Dim;
}

/** How fronts and openings lie to each other: the one thing in which overlay on a box and overlay on a frame differ. */
export interface FaceScheme {
  readonly root: Region;
  boundary(kind: DividerKind, axis: SplitAxis, after: string): BoundaryWidths;
}

/**
 * The scheme of a cabinet: its openings (between case parts, or between the members of a frame) and how far fronts lie
 * over them. Overlay on a box is the one that is not measured from the opening: its reveals are.
 */
export function faceScheme(box: Box, resolved: Resolved): FaceScheme {
  const openings =
    resolved.settings.frame.fitted.value === 'fitted' ? frameOpenings(box, resolved) : caseOpenings(box, resolved);
  const { fit, gap, lip } = resolved.settings.fronts;
  switch (fit.value) {
    case 'inset':
      return lapped(
        openings,
        length(0).minus(gap).as('lap of the fronts').because('inset fronts leave a gap all round'),
        gap,
      );
    case 'lipped':
      return lapped(openings, lip, gap);
    case 'overlay':
      return openings.framed
        ? lapped(openings, resolved.settings.frame.overlay, gap)
        : revealed(openings, box, resolved);
  }
}

interface Openings {
  readonly framed: boolean;
  readonly clear: Region['clear'];
  readonly inside: Region['inside'];
  /** Width of what lies between two openings, and of the case part behind it. */
  between(kind: DividerKind, axis: SplitAxis, after: string): { readonly clear: Dim; readonly inside: Dim };
}

/** The room between the inner faces of the sides, from the bottom to the top. */
export function insideOf(box: Box, resolved: Resolved): Region['inside'] {
  const { left, right } = sidesOf(resolved);
  return {
    h: asRead({
      low: left.thickness.as('inner face of the left side'),
      high: box.width.minus(right.thickness).as('inner face of the right side'),
      size: box.insideWidth,
    }),
    v: asRead({ low: box.bottomTop, high: box.topUnderside, size: box.clearHeight }),
  };
}

/** Frameless: openings lie between case parts. */
function caseOpenings(box: Box, resolved: Resolved): Openings {
  const inside = insideOf(box, resolved);
  return {
    framed: false,
    clear: inside,
    inside,
    between(kind, _axis, after) {
      const thickness = dividerThickness(kind, after, resolved);
      return { clear: thickness, inside: thickness };
    },
  };
}

type Framed = Pick<Resolved, 'settings' | 'materials' | 'given'>;

/**
 * Width of an outer stile as it is made: at a wall wider by scribe and filler, unless these are to lie within it; before
 * an applied end panel wider by the panel, unless its width is decided here.
 */
export function stileWidth(end: 'left' | 'right', resolved: Framed): Dim {
  const { settings, given } = resolved;
  const { frame } = settings;
  const decided = end === 'left' ? frame.stileLeft : frame.stileRight;
  const atWall = given[end].what === 'wall' && frame.wallStile.value === 'wider';
  const covered = panelCovered(end, resolved);
  if (!atWall && !covered) return decided;
  const reached = atWall ? decided.plus(reachToWall(settings)) : decided;
  const why = atWall
    ? 'it reaches the wall, the rails stay as they are'
    : 'it covers the end panel, the rails stay as they are';
  return (covered ? reached.plus(covered) : reached).as(`${end} stile as made`).because(why);
}

/** The end panel an outer stile is made wider to cover; undefined where there is none, or the stile's width is decided here. */
export function panelCovered(
  end: 'left' | 'right',
  { settings, materials }: Pick<Framed, 'settings' | 'materials'>,
): Dim | undefined {
  const { frame, ends } = settings;
  const decided = end === 'left' ? frame.stileLeft : frame.stileRight;
  return ends[`${end}Panel`].value === 'applied' && !decidedHere(decided)
    ? materials.end.thickness.as('end panel thickness')
    : undefined;
}

/** What a frame leaves between its stiles. */
export function frameOpening(box: Box, resolved: Framed): Span {
  const [left, right] = [stileWidth('left', resolved), stileWidth('right', resolved)];
  return {
    low: left.minus(box.beyondLeft).as('inner edge of the left stile'),
    high: box.width.plus(box.beyondRight).minus(right).as('inner edge of the right stile'),
    size: box.overallWidth.minus(left).minus(right).as('opening between the stiles'),
  };
}

/** Openings between the members of a face frame. */
function frameOpenings(box: Box, resolved: Resolved): Openings {
  const { frame } = resolved.settings;
  const lower = box.bottomTop.plus(frame.lip).as('upper edge of the bottom rail');
  const upper = box.height.plus(frame.rise).minus(frame.topRail).as('lower edge of the top rail');
  return {
    framed: true,
    clear: {
      h: frameOpening(box, resolved),
      v: { low: lower, high: upper, size: upper.minus(lower).as('opening between the rails') },
    },
    inside: insideOf(box, resolved),
    between: (kind, axis, after) => ({
      clear: axis === 'rows' ? frame.midRail : frame.midStile,
      inside: dividerThickness(kind, after, resolved),
    }),
  };
}

/** True where the fronts meet those of a neighbour and each carries half of the gap. */
export function sharesGap(end: 'left' | 'right', { settings, given }: Resolved): boolean {
  const { ends, fronts } = settings;
  return fronts.atNeighbour.value === 'half' && given[end].what === 'neighbour' && ends[`${end}Panel`].value === 'none';
}

/** The reveal at an end: its own, or half of the gap that is shared with a neighbour. */
export function endReveal(end: 'left' | 'right', resolved: Resolved): Dim {
  const { reveal, gap } = resolved.settings.fronts;
  return sharesGap(end, resolved)
    ? gap.over(2).as(`${end} reveal`).because('the gap is shared with the neighbour')
    : reveal[end];
}

/** Overlay on the box: reveals to its edges, dividers behind the gaps and centred on them. */
function revealed(openings: Openings, box: Box, resolved: Resolved): FaceScheme {
  const { gap } = resolved.settings.fronts;
  const reveal = {
    ...resolved.settings.fronts.reveal,
    left: endReveal('left', resolved),
    right: endReveal('right', resolved),
  };
  return {
    root: {
      clear: openings.clear,
      inside: openings.inside,
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
    },
    boundary: (kind, axis, after) => ({ face: gap, ...openings.between(kind, axis, after) }),
  };
}

/**
 * Fronts that lap each edge of their opening by the same amount: overlay on a frame, a lip, or (a negative lap) inset.
 * Between two openings the fronts are what divides them less two laps apart; in one opening, the gap.
 */
function lapped(openings: Openings, lap: Dim, gap: Dim): FaceScheme {
  const { clear } = openings;
  const twice = lap.times(2);
  return {
    root: {
      clear: openings.clear,
      inside: openings.inside,
      face: {
        h: {
          low: clear.h.low.minus(lap).as('left edge of the fronts'),
          high: clear.h.high.plus(lap).as('right edge of the fronts'),
          size: clear.h.size.plus(twice).as('face width'),
        },
        v: {
          low: clear.v.low.minus(lap).as('bottom of the fronts'),
          high: clear.v.high.plus(lap).as('top of the fronts'),
          size: clear.v.size.plus(twice).as('height of the fronts'),
        },
      },
    },
    boundary(kind, axis, after) {
      const between = openings.between(kind, axis, after);
      return { face: between.clear.value > 0 ? between.clear.minus(twice).as('between two fronts') : gap, ...between };
    },
  };
}

/** How thick what divides is that stands after an opening or a room. */
export function dividerThickness(kind: DividerKind, after: string, resolved: Resolved): Dim {
  const { materials } = resolved;
  const key = partKeys.divider.of({ after });
  switch (kind) {
    case 'stretcher':
      return materials.top.thickness;
    case 'shelf':
      return madeOf(resolved, 'shelf', key).thickness;
    case 'web':
      return materials.web.thickness;
    case 'partition':
      return madeOf(resolved, 'partition', key).thickness;
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
  return neighbours.some((fill) => isFill(fill, 'open')) ? atOpenBay.value : betweenFronts.value;
}
