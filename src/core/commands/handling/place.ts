import { namedByKey, openingNames, type Rectangle, type SplitLayout, withSpan } from '../../build/index.js';
import { type EditPath, isSplit, type Opening, pathTo, type Split } from '../../decisions/index.js';
import { form, type SolvedCabinet } from '../../solve/index.js';

/** Where an opening sits in the tree of openings. */
export interface OpeningPlace {
  readonly opening: Opening;
  /** The division it is a member of, and which one of it. */
  readonly split: Split;
  readonly at: number;
  readonly splitPath: EditPath;
  readonly path: EditPath;
  /** "doors 1", "row 2" */
  readonly name: string;
  /** Id of the opening that is divided so; undefined where the division is the whole face. */
  readonly within: string | undefined;
}

/** The place of an opening by its id; undefined where there is none of it. */
export function openingPlaceOf({ cabinet }: Pick<SolvedCabinet, 'cabinet'>, id: string): OpeningPlace | undefined {
  const names = openingNames(cabinet.face, form.fills);
  const walk = (split: Split, splitPath: EditPath, within?: string): OpeningPlace | undefined => {
    for (const [at, opening] of split.parts.entries()) {
      const path = pathTo.opening(splitPath, opening.id);
      if (opening.id === id) return { opening, split, at, splitPath, path, within, name: names.get(id) ?? 'opening' };
      const found = isSplit(opening.fill)
        ? walk(opening.fill, pathTo.openingField(path, 'fill'), opening.id)
        : undefined;
      if (found) return found;
    }
    return undefined;
  };
  return walk(cabinet.face, pathTo.face(cabinet.id));
}

/** The division an opening is a member of as it came out, and which one it is; undefined while the face does not close. */
export function layoutOf({ face }: SolvedCabinet, id: string): { layout: SplitLayout; at: number } | undefined {
  if (!face.ok) return undefined;
  for (const layout of face.splits) {
    const at = layout.parts.findIndex((part) => part.id === id);
    if (at >= 0) return { layout, at };
  }
  return undefined;
}

/** What an opening covers of the face, divided or not. */
export function faceOf(solved: SolvedCabinet, id: string): Rectangle | undefined {
  const found = layoutOf(solved, id);
  const span = found?.layout.face[found.at];
  return found && span ? withSpan(found.layout.within.face, found.layout.axis, span) : undefined;
}

/** The sizes members of a division are decided by: of their fronts, or of the clear openings. */
export function leadingSpans({ resolved }: SolvedCabinet, layout: SplitLayout) {
  return resolved.settings.fronts.lay.value === 'fronts' ? layout.face : layout.clear;
}

/** The opening a selected thing belongs to: itself, the one its front closes, the one a shelf or a box is in. */
export function openingAt(solved: SolvedCabinet, key: string | null): string | undefined {
  const named = namedByKey(key);
  if (named) return named.kind === 'opening' && openingPlaceOf(solved, named.id) ? named.id : undefined;
  const front = solved.fronts.find(({ parts }) => parts.some((part) => part.key === key));
  return front?.openingId;
}

export type Heading = 'left' | 'right' | 'up' | 'down';

/** The opening that lies next to another on the face, that way; the nearest in line where several do. */
export function nextOpening(solved: SolvedCabinet, id: string, way: Heading): string | undefined {
  const from = faceOf(solved, id);
  if (!from || !solved.face.ok) return undefined;
  const level = way === 'left' || way === 'right';
  const sign = way === 'right' || way === 'up' ? 1 : -1;
  const middle = ({ h, v }: Rectangle) => ({
    along: level ? (h.low.value + h.high.value) / 2 : (v.low.value + v.high.value) / 2,
    across: level ? (v.low.value + v.high.value) / 2 : (h.low.value + h.high.value) / 2,
  });
  const own = middle(from);
  const others = solved.face.cells
    .filter(({ opening }) => opening.id !== id)
    .map(({ opening, face }) => ({ id: opening.id, ...middle(face) }))
    .filter(({ along }) => (along - own.along) * sign > 0.5)
    .map((each) => ({ ...each, far: Math.abs(each.along - own.along) + 2 * Math.abs(each.across - own.across) }));
  return others.sort((a, b) => a.far - b.far)[0]?.id;
}
