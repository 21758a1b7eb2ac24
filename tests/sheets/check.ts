/** Looks at a layout with nothing of what made it: whether it can be cut, and is what was asked for. Sizes in mm. */

export interface Asked {
  readonly sheet: { readonly length: number; readonly width: number; readonly trim: number };
  readonly kerf: number;
  readonly method: string;
  readonly stages?: number | undefined;
  readonly spacing?: number | undefined;
  readonly parts: readonly { id: string; length: number; width: number; quantity: number; turn: boolean }[];
}

interface Piece {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly length: number;
  readonly width: number;
  readonly turned: boolean;
}

/** Less than this is rounding (mm). */
const NEAR = 1e-5;

/** What is wrong with a layout, in words; nothing where it is right. */
export function wrongWith(
  asked: Asked,
  {
    sheets,
    unplaced,
  }: { sheets: readonly { placements: readonly Piece[] }[]; unplaced: readonly { id: string; quantity: number }[] },
): string[] {
  const wrong: string[] = [];
  const { sheet, kerf, spacing = 0, method } = asked;
  const apart = Math.max(kerf, spacing);
  const counts = new Map<string, number>();
  for (const [at, { placements }] of sheets.entries()) {
    const where = `sheet ${at + 1}`;
    if (placements.length === 0) wrong.push(`${where} is empty`);
    for (const piece of placements) {
      counts.set(piece.id, (counts.get(piece.id) ?? 0) + 1);
      const part = asked.parts.find(({ id }) => id === piece.id);
      if (!part) {
        wrong.push(`${where}: nobody asked for ${piece.id}`);
        continue;
      }
      const [length, width] = piece.turned ? [part.width, part.length] : [part.length, part.width];
      if (Math.abs(length - piece.length) > NEAR || Math.abs(width - piece.width) > NEAR)
        wrong.push(`${where}: ${piece.id} has another size`);
      if (piece.turned && !part.turn) wrong.push(`${where}: ${piece.id} may not be turned`);
      if (
        piece.x < sheet.trim - NEAR ||
        piece.y < sheet.trim - NEAR ||
        piece.x + piece.length > sheet.length - sheet.trim + NEAR ||
        piece.y + piece.width > sheet.width - sheet.trim + NEAR
      )
        wrong.push(`${where}: ${piece.id} lies in the trim`);
    }
    for (const [n, a] of placements.entries())
      for (const b of placements.slice(n + 1)) {
        const across = Math.max(a.x - b.x - b.length, b.x - a.x - a.length);
        const up = Math.max(a.y - b.y - b.width, b.y - a.y - a.width);
        if (Math.max(across, up) < apart - NEAR) wrong.push(`${where}: ${a.id} and ${b.id} are not ${apart} apart`);
      }
    if (method !== 'nested') {
      const most = method === 'strips' ? 3 : (asked.stages ?? 99);
      const stages = stagesOf(placements, apart, method === 'strips' ? 'y' : undefined);
      if (stages === undefined) wrong.push(`${where} cannot be cut from edge to edge`);
      else if (stages > most) wrong.push(`${where} takes ${stages} stages, not ${most}`);
    }
  }
  for (const { id, quantity } of unplaced) counts.set(id, (counts.get(id) ?? 0) + quantity);
  for (const { id, quantity } of asked.parts)
    if (counts.get(id) !== quantity) wrong.push(`${id} is there ${counts.get(id) ?? 0} times, not ${quantity}`);
  return wrong;
}

/**
 * In how many stages pieces come apart by cuts from edge to edge: all that are parallel are one stage. Cutting wherever a
 * blade passes between pieces loses nothing: cuts in one direction never stand in each other's way.
 */
function stagesOf(pieces: readonly Piece[], kerf: number, first: 'x' | 'y' | undefined): number | undefined {
  if (pieces.length === 0) return 0;
  const tries = (first ? [first] : (['x', 'y'] as const)).map((axis) => cutAlong(pieces, kerf, axis));
  const fine = tries.filter((stages) => stages !== undefined);
  return fine.length > 0 ? Math.min(...fine) : undefined;
}

/**
 * Stages when the first cuts run across an axis. A group of one piece may still need a cut to be trimmed: it is counted
 * where another group it was cut off with reaches further, which is the case for all but the largest.
 */
function cutAlong(pieces: readonly Piece[], kerf: number, axis: 'x' | 'y'): number | undefined {
  const size = axis === 'x' ? 'length' : 'width';
  const sorted = [...pieces].sort((a, b) => a[axis] - b[axis]);
  const groups: Piece[][] = [];
  let reach = Number.NEGATIVE_INFINITY;
  for (const piece of sorted) {
    if (piece[axis] - reach >= kerf - NEAR) groups.push([]);
    groups.at(-1)?.push(piece);
    reach = Math.max(reach, piece[axis] + piece[size]);
  }
  const other = axis === 'x' ? 'y' : 'x';
  if (groups.length === 1 && pieces.length > 1) {
    // No blade passes this way: the first cuts do nothing, and the other way has to part them.
    return apartIn(pieces, kerf, other);
  }
  let most = 1;
  for (const group of groups) {
    if (group.length === 1) continue;
    const inner = apartIn(group, kerf, other);
    if (inner === undefined) return undefined;
    most = Math.max(most, 1 + inner);
  }
  return most;
}

/** Stages of a group whose next cuts run across an axis; undefined where no blade passes. */
function apartIn(pieces: readonly Piece[], kerf: number, axis: 'x' | 'y'): number | undefined {
  const size = axis === 'x' ? 'length' : 'width';
  const sorted = [...pieces].sort((a, b) => a[axis] - b[axis]);
  let reach = Number.NEGATIVE_INFINITY;
  let groups = 0;
  for (const piece of sorted) {
    if (piece[axis] - reach >= kerf - NEAR) groups += 1;
    reach = Math.max(reach, piece[axis] + piece[size]);
  }
  return groups > 1 ? cutAlong(pieces, kerf, axis) : undefined;
}
