import { length } from '../../ground/index.js';
import {
  movedRow,
  type Operation,
  type Part,
  POCKET,
  type RowOperation,
  sizeOf,
  withMachining,
} from '../../part/index.js';

type ScrewLines = ReadonlyMap<string, readonly Operation[]>;

/** Wood beside a pocket or its screw; two pockets stand at least so far apart, and so far from the ends of the side (mm). */
const SKIN = 2;
const APART = POCKET.width + 8;
const FROM_END = POCKET.width / 2 + 4;

/**
 * The pocket screws that pull a face frame on, moved clear of what was bored after them: shelf pins, plates of hinges. A
 * frame is pulled up by its edge, so they may stand anywhere along it.
 */
export function framePocketsClear(
  parts: readonly Part[],
  screwLines: ScrewLines,
): { readonly parts: readonly Part[]; readonly screwLines: ScrewLines } {
  let now = { parts, screwLines };
  for (const hand of ['left', 'right'] as const) now = clearOn(hand, now);
  return { ...now, parts: now.parts.map((part) => (part.key === 'bottom' ? bottomClear(part, now.screwLines) : part)) };
}

/** Those in the underside of the bottom that pull its front edge to the rail, clear of runners screwed to it. */
function bottomClear(bottom: Part, screwLines: ScrewLines): Part {
  const pockets = bottom.machining.find(({ kind, by }) => kind === 'pockets' && by.kind === 'frame');
  if (pockets?.kind !== 'pockets') return bottom;
  const others = [...bottom.machining, ...(screwLines.get(bottom.key) ?? [])].filter((each) => each !== pockets);
  const moves = movedRow([{ operation: pockets, size: sizeOf(bottom), others }], {
    skin: SKIN,
    within: [FROM_END, bottom.length.value - FROM_END],
    apart: APART,
  });
  if (!moves) return bottom;
  const now = moved(pockets, moves);
  return withMachining(
    bottom,
    bottom.machining.map((each) => (each === pockets ? now : each)),
  );
}

function clearOn(
  hand: 'left' | 'right',
  { parts, screwLines }: { readonly parts: readonly Part[]; readonly screwLines: ScrewLines },
): { readonly parts: readonly Part[]; readonly screwLines: ScrewLines } {
  const same = { parts, screwLines };
  const side = parts.find(({ key }) => key === `side/${hand}`);
  const stile = parts.find(({ key }) => key === `frame/stile/${hand}`);
  const pockets = side?.machining.find(({ kind, by }) => kind === 'pockets' && by.kind === 'frame');
  const inStile = stile && (screwLines.get(stile.key) ?? []);
  const way = inStile?.find(({ by }) => by.kind === 'frame' && by.what === 'way');
  if (!side || pockets?.kind !== 'pockets' || !stile || way?.kind !== 'holes') return same;
  const others = (part: Part, own: Operation) =>
    [...part.machining, ...(screwLines.get(part.key) ?? [])].filter((each) => each !== own);
  const moves = movedRow(
    [
      { operation: pockets, size: sizeOf(side), others: others(side, pockets) },
      { operation: way, size: sizeOf(stile), others: others(stile, way) },
    ],
    { skin: SKIN, within: [FROM_END, side.length.value - FROM_END], apart: APART },
  );
  if (!moves) return same;
  return {
    parts: parts.map((part) =>
      part === side
        ? withMachining(
            part,
            part.machining.map((each) => (each === pockets ? moved(pockets, moves) : each)),
          )
        : part,
    ),
    screwLines: new Map([
      ...screwLines,
      [stile.key, (inStile ?? []).map((each) => (each === way ? moved(way, moves) : each))],
    ]),
  };
}

function moved<T extends RowOperation>(operation: T, moves: readonly number[]): T {
  const positions = operation.positions.map((at, index) => {
    const by = moves[index] ?? 0;
    return Math.abs(by) < 1e-6
      ? at
      : at.plus(length(by, 'moved clear of what is bored there')).as('position along the part');
  });
  return { ...operation, positions };
}
