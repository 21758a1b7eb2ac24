import { type Dim, measuredFrom } from '../../ground/index.js';
import {
  type EdgeReference,
  edgeOf,
  fastenersAlong,
  type Operation,
  type PanelFace,
  type Part,
  POCKET,
  pocketScrew,
  SCREW_WAY,
  withMore,
} from '../../part/index.js';
import type { BuildContext, BuilderResult } from '../builder/index.js';

/** Pocket holes in one part, and the lines their screws take in the part they pull it to. */
export interface Pocketed {
  readonly key: string;
  readonly pockets: Operation;
  readonly into: string;
  readonly way: Operation;
}

/** Parts with the pocket holes that are bored in them. */
export function withPockets(parts: readonly Part[], pocketed: readonly Pocketed[]): BuilderResult {
  return {
    parts: parts.map((part) => {
      const more = pocketed.flatMap(({ key, pockets }) => (key === part.key ? [pockets] : []));
      return withMore(part, more);
    }),
    screwLines: pocketed.map(({ into, way }) => [into, way] as const),
  };
}

/**
 * Pocket holes along an end or edge of a part that stands on edge behind another, and the lines of their screws into the
 * back of that one. Both begin at the same height.
 */
export function pocketed(
  { resolved }: Pick<BuildContext, 'resolved'>,
  {
    part,
    edge,
    face,
    into,
    spacing = resolved.settings.fasteners.pocketSpacing,
  }: {
    readonly part: Part;
    readonly edge: EdgeReference;
    readonly face: PanelFace;
    readonly into: Part;
    readonly spacing?: Dim;
  },
): Pocketed {
  const { fasteners } = resolved.settings;
  const positions = fastenersAlong(edge.startsWith('u') ? part.width : part.length, {
    first: fasteners.first,
    spacing,
    half: POCKET.width / 2,
  });
  const reason = `${part.name.toLowerCase()} to ${into.name.toLowerCase()}`;
  const by = { kind: 'fixing', what: 'pockets' } as const;
  const across = into.placement.u.endsWith('x') ? 'u0' : 'v0';
  const middle = part.stands.x.low.plus(part.thickness.over(2));
  return {
    key: part.key,
    pockets: {
      kind: 'pockets',
      face,
      edge,
      positions,
      plugged: false,
      reason,
      by,
      holds: into.key,
      fastens: pocketScrew(part.thickness, fasteners, into.key),
    },
    into: into.key,
    way: {
      kind: 'holes',
      face: 2,
      from: across,
      offset: measuredFrom(middle, edgeOf(into, across)).as('middle of the edge'),
      positions,
      diameter: SCREW_WAY,
      depth: fasteners.pocketReach,
      reason: `way of the pocket screws: ${reason}`,
      by,
    },
  };
}
