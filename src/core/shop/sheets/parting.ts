/** A rectangle in whatever unit. */
export interface Rect {
  readonly x: number;
  readonly y: number;
  readonly length: number;
  readonly width: number;
}

/** Along the sheet's length, or across it. */
export type Orientation = 'rip' | 'cross';

/**
 * How a rectangle comes apart by cuts from edge to edge. `cuts` runs one way, its parts stand one behind the other and
 * fill the rectangle; a `piece` says which of the pieces it is, `left` holds none.
 */
export type Node =
  | { readonly kind: 'piece'; readonly rect: Rect; readonly at: number }
  | { readonly kind: 'left'; readonly rect: Rect }
  | { readonly kind: 'cuts'; readonly rect: Rect; readonly way: Orientation; readonly parts: readonly Node[] };

/**
 * Parts a rectangle into pieces by cuts from edge to edge, in as few stages as it can be done: wherever a cut passes
 * between pieces it is made, for cuts that run one way never stand in each other's way. Blades have no width here: pieces
 * and sheet are taken a kerf larger. Undefined where no cut passes. Without a `first` direction the better one is taken:
 * fewer stages, then the larger rest.
 */
export function part(whole: Rect, pieces: readonly Rect[], first?: Orientation, near = 0): Node | undefined {
  const all = pieces.map((rect, at) => ({ rect, at }));
  const tries = (first ? [first] : (['rip', 'cross'] as const)).map((way) => partBy(whole, all, way, near, true));
  const [one, other] = tries;
  if (!one || !other) return one ?? other;
  const [a, b] = [stagesOf(one), stagesOf(other)];
  if (a !== b) return a < b ? one : other;
  return largestLeft(other) > largestLeft(one) ? other : one;
}

interface Piece {
  readonly rect: Rect;
  readonly at: number;
}

const AXES = {
  rip: { from: 'y', size: 'width' },
  cross: { from: 'x', size: 'length' },
} as const;

const OTHER: Readonly<Record<Orientation, Orientation>> = { rip: 'cross', cross: 'rip' };

function partBy(
  whole: Rect,
  pieces: readonly Piece[],
  way: Orientation,
  near: number,
  mayTurn: boolean,
): Node | undefined {
  const [only] = pieces;
  if (!only) return { kind: 'left', rect: whole };
  if (pieces.length === 1 && isSame(only.rect, whole, near)) return { kind: 'piece', rect: only.rect, at: only.at };
  const parts = slices(whole, pieces, way, near);
  if (parts.length === 1) return mayTurn ? partBy(whole, pieces, OTHER[way], near, false) : undefined;
  const nodes: Node[] = [];
  for (const { rect, inside } of parts) {
    const node = partBy(rect, inside, OTHER[way], near, false);
    if (!node) return undefined;
    nodes.push(node);
  }
  return { kind: 'cuts', rect: whole, way, parts: nodes };
}

/** The slices between all cuts that pass one way, with the pieces in each. */
function slices(whole: Rect, pieces: readonly Piece[], way: Orientation, near: number) {
  const { from, size } = AXES[way];
  const slice = (low: number, high: number): Rect => ({ ...whole, [from]: low, [size]: high - low });
  const sorted = [...pieces].sort((a, b) => a.rect[from] - b.rect[from]);
  const found: { rect: Rect; inside: Piece[] }[] = [];
  let [low, reach] = [whole[from], whole[from]];
  let inside: Piece[] = [];
  const close = (upTo: number) => {
    if (inside.length > 0) found.push({ rect: slice(low, reach), inside });
    if (upTo - reach > near) found.push({ rect: slice(reach, upTo), inside: [] });
    inside = [];
    low = upTo;
    reach = upTo;
  };
  for (const piece of sorted) {
    const start = piece.rect[from];
    if (start >= reach - near && (inside.length > 0 || start - reach > near)) close(Math.max(start, reach));
    inside.push(piece);
    reach = Math.max(reach, start + piece.rect[size]);
  }
  close(whole[from] + whole[size]);
  return found;
}

function isSame(a: Rect, b: Rect, near: number): boolean {
  return (
    Math.abs(a.x - b.x) <= near &&
    Math.abs(a.y - b.y) <= near &&
    Math.abs(a.length - b.length) <= near &&
    Math.abs(a.width - b.width) <= near
  );
}

/** In how many directions, one after another, is cut until all pieces are free. */
export function stagesOf(node: Node): number {
  return node.kind === 'cuts' ? 1 + Math.max(...node.parts.map(stagesOf)) : 0;
}

/** All that is left over. */
export function leftOf(node: Node): Rect[] {
  if (node.kind === 'cuts') return node.parts.flatMap(leftOf);
  return node.kind === 'left' ? [node.rect] : [];
}

function largestLeft(node: Node): number {
  return Math.max(0, ...leftOf(node).map(({ length, width }) => length * width));
}
