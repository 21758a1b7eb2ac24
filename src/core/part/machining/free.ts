import type { PanelFace, PartSize } from './definition.js';
import { footprintOf, type Operation, spacesOf } from './operations/index.js';
import { into } from './place.js';

/** A hole as far as it may meet something: into which face, how deep, how wide, and what wood stays beside and behind it (mm). */
export interface WantedHole {
  readonly face: PanelFace;
  readonly depth: number;
  readonly diameter: number;
  readonly beside: number;
  readonly behind: number;
}

/**
 * Tells for places of a part (mm along its length and width) whether a hole may stand there, clear of everything that is
 * cut, bored or screwed in it within its depth.
 */
export function placesFree(
  taken: readonly Operation[],
  size: PartSize,
  { face, depth, diameter, beside, behind }: WantedHole,
): (u: number, v: number) => boolean {
  const [near, far] = into(size, face, depth);
  const apart = diameter / 2 + beside;
  // What each takes is looked at only where somebody comes near it.
  const rooms = taken.map((operation) => {
    let spaces: ReturnType<typeof spacesOf> | undefined;
    return {
      within() {
        spaces ??= spacesOf(operation, size).filter(
          ({ low, high }) => low[2] < far + behind && high[2] > near - behind,
        );
        return spaces;
      },
      ...footprintOf(operation, size),
    };
  });
  return (u, v) =>
    rooms.every(({ u: along, v: across, within }) => {
      if (along[0] - apart >= u || along[1] + apart <= u || across[0] - apart >= v || across[1] + apart <= v)
        return true;
      return within().every(
        ({ low, high }) => u <= low[0] - apart || u >= high[0] + apart || v <= low[1] - apart || v >= high[1] + apart,
      );
    });
}

/**
 * What a hole may not stand in along a line of a part: runs along its length, at a place across it, or the reverse. The
 * same margins as `placesFree`, for a placer, which wants to know where what is taken ends.
 */
export function takenAlong(
  taken: readonly Operation[],
  size: PartSize,
  { face, depth, diameter, beside, behind }: WantedHole,
  axis: 'u' | 'v',
  line: number,
): (readonly [from: number, to: number])[] {
  const [near, far] = into(size, face, depth);
  const apart = diameter / 2 + beside;
  const [along, across] = axis === 'u' ? ([0, 1] as const) : ([1, 0] as const);
  return taken.flatMap((operation) => {
    const foot = footprintOf(operation, size);
    const [low, high] = axis === 'u' ? foot.v : foot.u;
    if (low - apart >= line || high + apart <= line) return [];
    return spacesOf(operation, size)
      .filter(
        (space) =>
          space.low[2] < far + behind &&
          space.high[2] > near - behind &&
          space.low[across] - apart < line &&
          space.high[across] + apart > line,
      )
      .map((space) => [space.low[along] - apart, space.high[along] + apart] as const);
  });
}
