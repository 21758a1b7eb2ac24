import type { Dim } from '../derive/index.js';
import type { Opening, Resolved } from '../job/index.js';
import { type Cell, openingName } from '../layout/index.js';
import { type Band, EDGES, makePart, type Part } from '../parts/index.js';

/** A drawer front or a door, with where it lies on the face. Edges in mm from the box's lower left corner. */
export interface Front {
  readonly key: string;
  readonly openingId: string;
  readonly kind: 'drawer' | 'door';
  readonly hinged?: 'left' | 'right';
  readonly left: Dim;
  readonly right: Dim;
  readonly bottom: Dim;
  readonly top: Dim;
  readonly width: Dim;
  readonly height: Dim;
  /** How far the hinge edge of a door lies over the side. */
  readonly overlay?: Dim;
  readonly part: Part;
}

/** The fronts that close the openings of an overlay face. Open bays have none. */
export function buildFronts(cells: readonly Cell[], resolved: Resolved): Front[] {
  const front = new Fronts(
    resolved,
    cells.map((cell) => cell.opening),
  );
  return cells.flatMap((cell) => front.of(cell));
}

class Fronts {
  constructor(
    private readonly resolved: Resolved,
    private readonly openings: readonly Opening[],
  ) {}

  of(cell: Cell): Front[] {
    const { fill, id } = cell.opening;
    const { face } = cell;
    const name = openingName(this.openings, cell.position);
    switch (fill.kind) {
      case 'open':
        return [];
      case 'drawer':
        return [
          this.make({
            key: `drawer/${id}`,
            name,
            kind: 'drawer',
            cell,
            left: face.left,
            right: face.right,
            width: face.width,
          }),
        ];
      case 'door':
        return [
          this.make({
            key: `door/${id}`,
            name,
            kind: 'door',
            hinged: fill.hinged,
            cell,
            left: face.left,
            right: face.right,
            width: face.width,
          }),
        ];
      case 'pair': {
        // A pair: (width − gap) / 2 each.
        const leaf = face.width.minus(this.resolved.settings.fronts.gap).over(2).as('width of one door of the pair');
        const leftEdge = face.left.plus(leaf).as('meeting edge of the left door');
        const rightEdge = face.right.minus(leaf).as('meeting edge of the right door');
        return [
          this.make({
            key: `door/${id}/left`,
            name: `${name}, left`,
            kind: 'door',
            hinged: 'left',
            cell,
            left: face.left,
            right: leftEdge,
            width: leaf,
          }),
          this.make({
            key: `door/${id}/right`,
            name: `${name}, right`,
            kind: 'door',
            hinged: 'right',
            cell,
            left: rightEdge,
            right: face.right,
            width: leaf,
          }),
        ];
      }
    }
  }

  private make(draft: {
    key: string;
    name: string;
    kind: 'drawer' | 'door';
    hinged?: 'left' | 'right';
    cell: Cell;
    left: Dim;
    right: Dim;
    width: Dim;
  }): Front {
    const { settings, materials } = this.resolved;
    const { face, opening } = draft.cell;
    const upright = (draft.kind === 'door' ? settings.fronts.doorGrain : settings.fronts.drawerGrain).value === 'up';
    const bands: Band[] =
      settings.banding.frontEdges.value === 'all'
        ? EDGES.map((edge) => ({ edge, thickness: settings.banding.frontThickness }))
        : [];
    const { material, thickness } = materials.front;
    const y = -(thickness.mm + settings.depth.bumper.mm);
    const part = makePart({
      key: draft.key,
      name: partName(draft.name, draft.kind),
      role: draft.kind === 'door' ? 'door' : 'drawer front',
      material,
      length: upright ? face.height : draft.width,
      width: upright ? draft.width : face.height,
      thickness,
      bands,
      ...(draft.hinged ? { hand: draft.hinged } : {}),
      placement: {
        origin: [draft.left.mm, y, face.bottom.mm],
        u: upright ? '+z' : '+x',
        v: upright ? '+x' : '+z',
        w: '+y',
      },
    });
    const overlay = draft.hinged ? this.overlayOnSide(draft.hinged) : undefined;
    return {
      key: draft.key,
      openingId: opening.id,
      kind: draft.kind,
      ...(draft.hinged ? { hinged: draft.hinged } : {}),
      left: draft.left,
      right: draft.right,
      bottom: face.bottom,
      top: face.top,
      width: draft.width,
      height: face.height,
      ...(overlay ? { overlay } : {}),
      part,
    };
  }

  /** Overlay on a side = side thickness − reveal. */
  private overlayOnSide(hinged: 'left' | 'right'): Dim {
    const { settings, materials } = this.resolved;
    return materials.case.thickness.minus(settings.fronts.reveal[hinged]).as('overlay on the side');
  }
}

function partName(name: string, kind: 'drawer' | 'door'): string {
  const singular = kind === 'door' ? name.replace(/^doors/, 'door') : name;
  return singular.charAt(0).toUpperCase() + singular.slice(1);
}
