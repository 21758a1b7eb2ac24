import {
  type Design,
  type DividerKind,
  isSplit,
  type LeafFill,
  type Opening,
  type OwnPath,
  ownPathTo,
  pathTo,
  type Resolved,
  type Split,
} from '../../decisions/index.js';
import { type Dim, type Span, setting, sumOf } from '../../ground/index.js';
import type { Box } from './box.js';
import { openingNames } from './names.js';
import { type Region, rectangleAsRead, type SplitAxis, spanOf, withSpan } from './region.js';
import { type BoundaryWidths, dividerAfter, type FaceScheme, faceScheme } from './scheme.js';
import { divideStack, type StackRefusal } from './stack.js';

/** One opening that is not divided further. */
export interface Cell extends Region {
  readonly opening: Opening;
  readonly fill: LeafFill;
  /** "drawer front 2" */
  readonly name: string;
  /** Where its decisions live in the document. */
  readonly path: OwnPath;
  /** The size its rule decided: of the face, or of the clear opening when openings are laid out first. */
  readonly sized: Dim;
  readonly axis: SplitAxis;
}

/** What lies between two neighbours of a split. */
export interface Boundary {
  /** Id of the opening before it: above it in rows, left of it in columns. */
  readonly after: string;
  readonly axis: SplitAxis;
  readonly kind: DividerKind;
  readonly centre: Dim;
  /** Along the split: the divider or frame member seen from the front. */
  readonly clear: Span;
  /** Along the split: the case part. */
  readonly inside: Span;
  /** The region that is divided. */
  readonly within: Region;
  /** Front edge of what stands there, where it lies wholly behind a front; the carcass edge otherwise. */
  readonly front?: Dim;
}

/** A split as it came out: the spans of its members along it. */
export interface SplitLayout {
  readonly axis: SplitAxis;
  readonly path: OwnPath;
  readonly parts: readonly Opening[];
  readonly face: readonly Span[];
  readonly clear: readonly Span[];
  readonly between: readonly BoundaryWidths[];
  readonly within: Region;
}

export type FaceLayout =
  | {
      readonly ok: true;
      readonly splits: readonly SplitLayout[];
      readonly cells: readonly Cell[];
      readonly boundaries: readonly Boundary[];
      readonly root: Region;
    }
  | { readonly ok: false; readonly refusal: StackRefusal; readonly path: OwnPath };

/** Divides the face of a box into its tree of openings, fronts first or openings first. */
export function layOutFace(cabinet: Design, box: Box, resolved: Resolved): FaceLayout {
  const scheme = faceScheme(box, resolved);
  const layout = new FaceDivision(cabinet, scheme, resolved);
  const refused = layout.divide(cabinet.face, scheme.root, ownPathTo.face);
  return (
    refused ?? {
      ok: true,
      cells: layout.cells,
      boundaries: layout.boundaries,
      splits: layout.splits,
      root: scheme.root,
    }
  );
}

interface Between {
  readonly kind: DividerKind;
  readonly widths: BoundaryWidths;
  /** How far the divider is pinned off the middle of the gap. */
  readonly off: Dim | undefined;
}

/** A split laid out in its region: each member by what is meant, and the middle of each divider. */
interface Laid {
  readonly spans: Readonly<Record<keyof Region, readonly Span[]>>;
  readonly centres: readonly Dim[];
  /** True where openings lie between the case parts themselves. */
  readonly unframed: boolean;
}

class FaceDivision {
  readonly cells: Cell[] = [];
  readonly boundaries: Boundary[] = [];
  readonly splits: SplitLayout[] = [];
  private readonly names: Map<string, string>;

  constructor(
    cabinet: Design,
    private readonly scheme: FaceScheme,
    private readonly resolved: Resolved,
  ) {
    this.names = openingNames(cabinet.face, resolved.fills);
  }

  /** Divides a region; returns why not when its sizes do not close. */
  divide(split: Split, region: Region, path: OwnPath): Extract<FaceLayout, { ok: false }> | undefined {
    const between = split.parts.slice(0, -1).map((opening, at): Between => {
      const kind = dividerAfter(opening, split.parts[at + 1] as Opening, split.kind, this.resolved);
      const widths = this.scheme.boundary(kind, split.kind, opening.id);
      return { kind, widths, off: this.offCentre(opening, kind, path) };
    });
    const divided = this.sizesIn(split, region, between, path);
    if (!divided.ok) return { path, ...divided };
    const laid = this.layIn(split, region, between, divided.sizes);
    this.keep(split, region, path, between, laid);
    return this.divideInside(split, region, path, divided.sizes, laid);
  }

  /** What is laid out by the shop's way of it: the fronts, or the openings. */
  private get leading(): 'face' | 'clear' {
    return this.resolved.settings.fronts.lay.value === 'fronts' ? 'face' : 'clear';
  }

  private sizesIn(split: Split, region: Region, between: readonly Between[], path: OwnPath) {
    const { leading } = this;
    const axis = split.kind;
    const widths = between.map((each) => each.widths[leading]);
    const whole = spanOf(region[leading], axis).size;
    const available = (widths.length > 0 ? whole.minus(sumOfWidths(widths)) : whole).as(
      leading === 'face' ? 'fronts together' : 'openings together',
    );
    const what = `${leading === 'clear' ? 'opening ' : ''}${axis === 'rows' ? 'height' : 'width'}`;
    return divideStack(
      split.parts.map((opening) => ({
        label: `${this.name(opening)} ${what}`,
        size: opening.size,
        pin: opening.pin,
        path: pathTo.opening(path, opening.id),
      })),
      available,
      split.graduation,
    );
  }

  /** Where fronts, openings and the rooms between case parts lie, and the middle of each divider. */
  private layIn(split: Split, region: Region, between: readonly Between[], sizes: readonly Dim[]): Laid {
    const { leading } = this;
    const axis = split.kind;
    const widths = between.map((each) => each.widths[leading]);
    const called = (meaning: keyof Region) => (at: number) =>
      `${this.name(split.parts[at] as Opening)}${meaning === 'face' ? '' : ' opening'}`;
    const led = layInRow(spanOf(region[leading], axis), sizes, widths, axis, called(leading));
    const ledCentres = between.map(({ widths: { [leading]: width } }, at) => {
      const edge = axis === 'rows' ? (led[at] as Span).low : (led[at] as Span).high;
      return (axis === 'rows' ? edge.minus(width.over(2)) : edge.plus(width.over(2))).as(
        leading === 'face' ? 'centre of the gap' : 'centre of the divider',
      );
    });
    // A divider pinned elsewhere stands off the gap that is laid out, or the gap off the divider.
    const otherCentres = between.map(({ off }, at) => {
      const centre = ledCentres[at] as Dim;
      if (!off) return centre;
      return leading === 'face'
        ? centre.plus(off).as('centre of the divider')
        : centre.minus(off).as('centre of the gap');
    });
    const centresOf = (meaning: keyof Region) =>
      (meaning === 'face') === (leading === 'face') ? ledCentres : otherCentres;
    const spansOf = (meaning: keyof Region): Span[] =>
      meaning === leading
        ? led
        : betweenCentres(
            spanOf(region[meaning], axis),
            centresOf(meaning),
            between.map((each) => each.widths[meaning]),
            axis,
            called(meaning),
          );
    const clear = spansOf('clear');
    // Without a frame the openings lie between the case parts themselves.
    const unframed = region.clear === region.inside && between.every(({ widths: { clear: a, inside: b } }) => a === b);
    const spans = { face: spansOf('face'), clear, inside: unframed ? clear : spansOf('inside') };
    return { spans, centres: leading === 'face' ? otherCentres : ledCentres, unframed };
  }

  private keep(
    { kind: axis, parts }: Split,
    region: Region,
    path: OwnPath,
    between: readonly Between[],
    { spans: { face, clear }, centres }: Laid,
  ): void {
    this.splits.push({ axis, path, parts, face, clear, between: between.map((each) => each.widths), within: region });
    for (const [at, { kind, widths: width }] of between.entries()) {
      this.boundaries.push({
        after: (parts[at] as Opening).id,
        axis,
        kind,
        centre: centres[at] as Dim,
        clear: around(centres[at] as Dim, width.clear),
        inside: around(centres[at] as Dim, width.inside),
        within: region,
      });
    }
  }

  /** Divides what is divided further, and keeps the others as cells. */
  private divideInside(
    { kind: axis, parts }: Split,
    region: Region,
    path: OwnPath,
    sizes: readonly Dim[],
    { spans, unframed }: Laid,
  ): Extract<FaceLayout, { ok: false }> | undefined {
    for (const [at, opening] of parts.entries()) {
      const closed = withSpan(region.clear, axis, spans.clear[at] as Span);
      const child: Region = {
        face: withSpan(region.face, axis, spans.face[at] as Span),
        clear: closed,
        inside: unframed ? closed : withSpan(region.inside, axis, spans.inside[at] as Span),
      };
      const childPath = pathTo.opening(path, opening.id);
      const { fill } = opening;
      if (isSplit(fill)) {
        const refused = this.divide(fill, child, pathTo.openingField(childPath, 'fill'));
        if (refused) return refused;
      } else {
        const name = this.name(opening);
        this.cells.push({
          opening,
          ...this.asRead(child, opening),
          fill,
          name,
          path: childPath,
          sized: sizes[at] as Dim,
          axis,
        });
      }
    }
    return undefined;
  }

  /** An opening, and the room behind it, with what was measured of them. */
  private asRead({ face, clear, inside }: Region, { id }: Opening): Region {
    const { facts } = this.resolved.given;
    const opening = rectangleAsRead(clear, `opening/${id}`, facts);
    return { face, clear: opening, inside: clear === inside ? opening : rectangleAsRead(inside, `room/${id}`, facts) };
  }

  private offCentre(opening: Opening, kind: DividerKind, path: OwnPath): Dim | undefined {
    if (!opening.dividerOff || kind === 'none') return undefined;
    return setting('divider off the centre of the gap', opening.dividerOff, {
      kind: 'here',
      note: 'pinned',
      path: pathTo.openingField(pathTo.opening(path, opening.id), 'dividerOff'),
    });
  }

  private name(opening: Opening): string {
    return this.names.get(opening.id) ?? '';
  }
}

/** Several equal widths are written as one, times their number. */
export function sumOfWidths(widths: readonly Dim[]): Dim {
  const [first] = widths;
  if (first && widths.length > 1 && widths.every((width) => width.value === first.value && width.label === first.label))
    return first.times(widths.length);
  return sumOf(widths);
}

/** Lays sizes one after the other along a span, gaps between them: rows from the top down, columns from the left. */
export function layInRow(
  whole: Span,
  sizes: readonly Dim[],
  gaps: readonly Dim[],
  axis: SplitAxis,
  name: (at: number) => string,
): Span[] {
  const rows = axis === 'rows';
  let edge = rows ? whole.high : whole.low;
  return sizes.map((size, at): Span => {
    const last = at === sizes.length - 1;
    const start = edge;
    if (rows) {
      const low = last ? whole.low : start.minus(size).as(`bottom of ${name(at)}`);
      if (!last) edge = low.minus(gaps[at] as Dim).as(`top of ${name(at + 1)}`);
      return { low, high: start, size };
    }
    const high = last ? whole.high : start.plus(size).as(`right edge of ${name(at)}`);
    if (!last) edge = high.plus(gaps[at] as Dim).as(`left edge of ${name(at + 1)}`);
    return { low: start, high, size };
  });
}

/** The spans that lie between boundaries given by their centres. */
function betweenCentres(
  whole: Span,
  centres: readonly Dim[],
  widths: readonly Dim[],
  axis: SplitAxis,
  name: (at: number) => string,
): Span[] {
  const rows = axis === 'rows';
  const sides = centres.map((centre, at) => around(centre, widths[at] as Dim));
  return Array.from({ length: centres.length + 1 }, (_, at): Span => {
    const before = sides[at - 1];
    const after = sides[at];
    const low = rows ? (after?.high ?? whole.low) : (before?.high ?? whole.low);
    const high = rows ? (before?.low ?? whole.high) : (after?.low ?? whole.high);
    if (low === whole.low && high === whole.high) return whole;
    return { low, high, size: high.minus(low).as(`${name(at)} ${rows ? 'height' : 'width'}`) };
  });
}

function around(centre: Dim, width: Dim): Span {
  if (width.value === 0) return { low: centre, high: centre, size: width };
  const half = width.over(2);
  return {
    low: centre.minus(half).as('near edge of the divider'),
    high: centre.plus(half).as('far edge of the divider'),
    size: width,
  };
}
