import type { Resolved } from '../../decisions/index.js';
import { type Dim, plain, sumOf } from '../../ground/index.js';
import type { GrainPlace, Part } from '../../part/index.js';
import type { Front } from './front.js';

/** Fronts cut out of one blank, so that the grain runs on from one to the next. */
export interface GrainGroup {
  readonly id: string;
  /** In the order in which they lie in the blank: from the top down, from the left within a row. */
  readonly parts: readonly Part[];
  /** What the blank has to measure, up and across the face, saw cuts included. */
  readonly height: Dim;
  readonly width: Dim;
}

/** The one piece of a front that carries the grain; framed fronts have none. */
function slabOf(front: Front): Part | undefined {
  const part = front.parts.find(({ piece }) => piece?.kind === 'slab');
  return part?.material.grain === 'length' ? part : undefined;
}

/** Fronts that belong together by the shop's way of running the grain on; at least two in a group. */
function groupsOf(fronts: readonly Front[], { settings }: Resolved): Front[][] {
  const way = settings.fronts.grainRuns.value;
  if (way === 'none') return [];
  const groups = new Map<string, Front[]>();
  for (const front of fronts) {
    if (!slabOf(front)) continue;
    const { h, v } = front;
    const key =
      way === 'face'
        ? 'face'
        : way === 'columns'
          ? `${h.low.value.toFixed(1)} ${h.high.value.toFixed(1)}`
          : `${v.low.value.toFixed(1)} ${v.high.value.toFixed(1)}`;
    groups.set(key, [...(groups.get(key) ?? []), front]);
  }
  return [...groups.values()]
    .filter((group) => group.length > 1)
    .map((group) => [...group].sort((a, b) => b.v.high.value - a.v.high.value || a.h.low.value - b.h.low.value));
}

/** Writes on every front of a group which blank it comes from and as what piece of how many. */
export function groupGrain(fronts: readonly Front[], resolved: Resolved): Front[] {
  const places = new Map<string, GrainPlace>();
  groupsOf(fronts, resolved).forEach((group, at) => {
    group.forEach((front, piece) => {
      const part = slabOf(front);
      if (part) places.set(part.key, { group: `G${at + 1}`, piece: piece + 1, of: group.length });
    });
  });
  if (places.size === 0) return [...fronts];
  return fronts.map((front) => ({
    ...front,
    parts: front.parts.map((part) => {
      const grain = places.get(part.key);
      return grain ? { ...part, grain } : part;
    }),
  }));
}

/** The blanks of a cabinet: cut sizes one after the other, and a saw cut between two. */
export function grainGroups(fronts: readonly Front[], resolved: Resolved): GrainGroup[] {
  const { sawCut } = resolved.settings.fronts;
  return groupsOf(fronts, resolved).map((group, at) => {
    const pieces = group.flatMap((front) => slabOf(front) ?? []);
    const up = (part: Part) => (part.placement.u[1] === 'z' ? part.cutLength : part.cutWidth);
    const across = (part: Part) => (part.placement.u[1] === 'z' ? part.cutWidth : part.cutLength);
    const run = (sizes: readonly Dim[], label: string) =>
      (sizes.length > 1 ? sumOf(sizes).plus(sawCut.times(plain(sizes.length - 1, 'saw cuts'))) : sumOf(sizes)).as(
        label,
      );
    // One piece for each line of the face tells the blank's height, one for each column its width.
    const first = (key: (front: Front) => number) => [
      ...new Map(group.map((front, n) => [key(front).toFixed(1), pieces[n] as Part])).values(),
    ];
    return {
      id: `G${at + 1}`,
      parts: pieces,
      height: run(first(({ v }) => v.low.value).map(up), 'height of the blank'),
      width: run(first(({ h }) => h.low.value).map(across), 'width of the blank'),
    };
  });
}
