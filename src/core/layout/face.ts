import { type Dim, length, sumOf } from '../derive/index.js';
import type { Cabinet, DividerKind, Opening, Resolved } from '../job/index.js';
import type { Box } from './box.js';
import { divideStack, type StackMember, type StackRefusal } from './stack.js';

/** A rectangle seen from the front, edges in mm from the box's lower left corner. */
export interface Rectangle {
  readonly left: Dim;
  readonly right: Dim;
  readonly bottom: Dim;
  readonly top: Dim;
  readonly width: Dim;
  readonly height: Dim;
}

/** One opening: the face it owns in front and the clear space behind. */
export interface Cell {
  readonly opening: Opening;
  /** What the fronts of this opening cover, reveals and gaps taken off. */
  readonly face: Rectangle;
  readonly clear: Rectangle;
  /** The size its rule decided: the face height, or the clear height when openings are laid out first. */
  readonly sized: Dim;
  readonly position: number;
}

/** What stands behind the gap below an opening. */
export interface Divider {
  /** The opening above it. */
  readonly below: string;
  readonly kind: Exclude<DividerKind, 'none'>;
  readonly centre: Dim;
  readonly top: Dim;
  readonly underside: Dim;
  readonly thickness: Dim;
}

export type Face =
  | { readonly ok: true; readonly cells: readonly Cell[]; readonly dividers: readonly Divider[] }
  | { readonly ok: false; readonly refusal: StackRefusal };

const FILL_NAME = { drawer: 'drawer front', door: 'door', pair: 'doors', open: 'open bay' } as const;

/** "drawer front 2": what an opening is called; numbered from the top where there are several of its kind. */
export function openingName(parts: readonly Opening[], at: number): string {
  const kind = parts[at]?.fill.kind;
  if (!kind) return '';
  const alike = parts.filter((opening) => opening.fill.kind === kind);
  return alike.length === 1 ? FILL_NAME[kind] : `${FILL_NAME[kind]} ${alike.indexOf(parts[at] as Opening) + 1}`;
}

/** Which divider stands below an opening: as decided on it, else the house standard for the two neighbours. */
export function dividerBelow(upper: Opening, lower: Opening, { settings }: Resolved): DividerKind {
  if (upper.divider) return upper.divider;
  const beside = upper.fill.kind === 'open' || lower.fill.kind === 'open';
  return beside ? settings.dividers.atOpenBay.value : settings.dividers.betweenFronts.value;
}

/** Divides the face of a box into a stack of openings, fronts first or openings first. */
export function layOutFace(cabinet: Cabinet, box: Box, resolved: Resolved): Face {
  const stack = new Stack(cabinet, box, resolved);
  return resolved.settings.fronts.lay.value === 'fronts' ? stack.frontsFirst() : stack.openingsFirst();
}

class Stack {
  private readonly parts: readonly Opening[];
  private readonly gap: Dim;
  private readonly faceTop: Dim;
  private readonly faceBottom: Dim;
  private readonly left: Dim;
  private readonly right: Dim;
  private readonly faceWidth: Dim;

  constructor(
    private readonly cabinet: Cabinet,
    private readonly box: Box,
    private readonly resolved: Resolved,
  ) {
    const { reveal, gap } = resolved.settings.fronts;
    this.parts = cabinet.face.parts;
    this.gap = gap;
    this.faceTop = box.floor.plus(box.faceHeight).minus(reveal.top).as('top of the fronts');
    this.faceBottom = box.floor.plus(reveal.bottom).as('bottom of the fronts');
    this.left = reveal.left;
    this.right = box.width.minus(reveal.right).as('right edge of the fronts');
    this.faceWidth = box.width.minus(reveal.left).minus(reveal.right).as('face width');
  }

  /** Σ heights = face height − top reveal − bottom reveal − (n − 1) · gap; dividers stand behind the gaps. */
  frontsFirst(): Face {
    const { reveal } = this.resolved.settings.fronts;
    const n = this.parts.length;
    const edges = this.box.faceHeight.minus(reveal.top).minus(reveal.bottom);
    const available = (n > 1 ? edges.minus(this.gap.times(n - 1)) : edges).as('fronts together');
    const divided = divideStack(this.members('height'), available, this.cabinet.face.graduation);
    if (!divided.ok) return divided;
    let top = this.faceTop;
    const faces = divided.sizes.map((size, at) => {
      const bottom = (at === n - 1 ? this.faceBottom : top.minus(size)).as(`bottom of ${this.name(at)}`);
      const span = { top, bottom, height: size };
      if (at < n - 1) top = bottom.minus(this.gap).as(`top of ${this.name(at + 1)}`);
      return span;
    });
    const dividers = faces.slice(0, -1).map((face, at) => {
      const kind = this.dividerKind(at);
      const centre = face.bottom.minus(this.gap.over(2)).as('centre of the gap');
      return { kind, centre, ...this.dividerAt(kind, centre) };
    });
    const cells = faces.map((face, at): Cell => {
      const above = dividers[at - 1];
      const under = dividers[at];
      const clearTop = above ? above.underside : this.box.topUnderside;
      const clearBottom = under ? under.top : this.box.bottomTop;
      const opening = this.parts[at] as Opening;
      const size = divided.sizes[at] as Dim;
      return {
        opening,
        position: at,
        face: this.faceRectangle(face),
        clear: this.clear(clearTop, clearBottom, at),
        sized: size,
      };
    });
    return { ok: true, cells, dividers: this.keep(dividers) };
  }

  /** Σ openings = clear height − Σ divider thicknesses; each gap stands in front of its divider's centre. */
  openingsFirst(): Face {
    const n = this.parts.length;
    const kinds = this.parts.slice(0, -1).map((_, at) => this.dividerKind(at));
    const taken = kinds.map((kind) => this.thicknessOf(kind));
    const available = (taken.length > 0 ? this.box.clearHeight.minus(sumOf(taken)) : this.box.clearHeight).as(
      'openings together',
    );
    const divided = divideStack(this.members('opening height'), available, this.cabinet.face.graduation);
    if (!divided.ok) return divided;
    let top = this.box.topUnderside;
    const clears = divided.sizes.map((size, at) => {
      const bottom = at === n - 1 ? this.box.bottomTop : top.minus(size).as(`bottom of opening ${at + 1}`);
      const span = { top, bottom };
      if (at < n - 1) top = bottom.minus(taken[at] as Dim).as(`top of opening ${at + 2}`);
      return span;
    });
    const dividers = clears.slice(0, -1).map((clear, at) => {
      const kind = kinds[at] as DividerKind;
      const thickness = taken[at] as Dim;
      const centre = clear.bottom.minus(thickness.over(2)).as('centre of the divider');
      return {
        kind,
        centre,
        thickness,
        top: clear.bottom,
        underside: clear.bottom.minus(thickness).as('underside of the divider'),
      };
    });
    const cells = clears.map((clear, at): Cell => {
      const above = dividers[at - 1];
      const under = dividers[at];
      const faceTop = above ? above.centre.minus(this.gap.over(2)).as(`top of ${this.name(at)}`) : this.faceTop;
      const faceBottom = under ? under.centre.plus(this.gap.over(2)).as(`bottom of ${this.name(at)}`) : this.faceBottom;
      const face = {
        top: faceTop,
        bottom: faceBottom,
        height: faceTop.minus(faceBottom).as(`${this.name(at)} height`),
      };
      const opening = this.parts[at] as Opening;
      return {
        opening,
        position: at,
        face: this.faceRectangle(face),
        clear: this.clear(clear.top, clear.bottom, at),
        sized: divided.sizes[at] as Dim,
      };
    });
    return { ok: true, cells, dividers: this.keep(dividers) };
  }

  private name(at: number): string {
    return openingName(this.parts, at);
  }

  private members(what: string): StackMember[] {
    return this.parts.map((opening, at) => ({
      label: `${this.name(at)} ${what}`,
      size: opening.size,
      pin: opening.pin,
      path: `cabinets/${this.cabinet.id}/face/parts/${opening.id}`,
    }));
  }

  private dividerKind(at: number): DividerKind {
    return dividerBelow(this.parts[at] as Opening, this.parts[at + 1] as Opening, this.resolved);
  }

  private thicknessOf(kind: DividerKind): Dim {
    if (kind === 'none') return length(0, 'no divider');
    return kind === 'shelf' ? this.resolved.materials.shelf.thickness : this.resolved.materials.case.thickness;
  }

  private dividerAt(kind: DividerKind, centre: Dim): { top: Dim; underside: Dim; thickness: Dim } {
    const thickness = this.thicknessOf(kind);
    if (kind === 'none') return { top: centre, underside: centre, thickness };
    return {
      thickness,
      top: centre.plus(thickness.over(2)).as('top of the divider'),
      underside: centre.minus(thickness.over(2)).as('underside of the divider'),
    };
  }

  private keep(
    dividers: readonly { kind: DividerKind; centre: Dim; top: Dim; underside: Dim; thickness: Dim }[],
  ): Divider[] {
    return dividers.flatMap((divider, at) => {
      const { kind } = divider;
      return kind === 'none' ? [] : [{ ...divider, kind, below: (this.parts[at] as Opening).id }];
    });
  }

  private faceRectangle(span: { top: Dim; bottom: Dim; height: Dim }): Rectangle {
    return { ...span, left: this.left, right: this.right, width: this.faceWidth };
  }

  private clear(top: Dim, bottom: Dim, at: number): Rectangle {
    const side = this.resolved.materials.case.thickness;
    return {
      left: side,
      right: this.box.width.minus(side).as('inner face of the right side'),
      top,
      bottom,
      width: this.box.insideWidth,
      height: top.minus(bottom).as(`${this.name(at)} opening height`),
    };
  }
}
