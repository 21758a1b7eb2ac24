import { type EdgeReference, fromStart, type Operation } from '../machining/index.js';
import { type Part, type Point, sizeOf, toCabinet } from '../parts/index.js';
import { meeting, type PartShape, shapeOf, sharedVolume } from '../solids/index.js';
import { within } from '../words.js';
import type { FindingDraft, GeneralRule } from './finding.js';

/** Parts may share this much, for rounding (mm³). */
const LEAST_SHARED = 5;

/** Shapes are made once for the parts that come into question. */
function shapes(): (part: Part) => PartShape {
  const made = new Map<string, PartShape>();
  return (part) => {
    let shape = made.get(part.key);
    if (!shape) {
      shape = shapeOf(part);
      made.set(part.key, shape);
    }
    return shape;
  };
}

/** Two parts in one place, whatever brought them there. */
const twoInOnePlace: GeneralRule = {
  id: 'carcass/two-in-one-place',
  check({ parts, show }, named) {
    const shape = shapes();
    return parts.flatMap((a, at) =>
      named.has(a.key)
        ? []
        : parts.slice(at + 1).flatMap((b): FindingDraft[] => {
            if (named.has(b.key)) return [];
            const room = meeting(a.extent, b.extent);
            if (!room || sharedVolume(shape(a), shape(b)) <= LEAST_SHARED) return [];
            const [x, y, z] = room.max.map((high, k) => show(high - room.min[k as 0])) as [string, string, string];
            return [
              {
                severity: 'stop',
                what: `${a.name} and ${within(b.name)} stand in one place, ${x} wide, ${y} deep and ${z} high.`,
                why: 'Two parts cannot fill the same space, and nothing is cut out of either to make room. Change the sizes or the construction of one of them.',
                parts: [a.key, b.key],
              },
            ];
          }),
    );
  },
};

/** A fastener is looked for this far into the next part, with so much wood round its middle: its own half and 3 (mm). */
const INTO = 6;
const AROUND = 5;

/** Where fasteners leave a part through its far face or its end, just inside what should hold them. */
function beyond(part: Part, operation: Operation): Point[] {
  const size = sizeOf(part);
  const { by } = operation;
  if (by.kind !== 'joint' && by.kind !== 'frame') return [];
  const at = (edge: EdgeReference, along: number, offset: number, w: number): Point => {
    const across = fromStart(size, edge, offset);
    return edge.startsWith('u')
      ? toCabinet(part.placement, across, along, w)
      : toCabinet(part.placement, along, across, w);
  };
  if (operation.kind === 'pockets')
    return operation.positions.map(({ mm }) => at(operation.edge, mm, -INTO, size.thickness / 2));
  if (operation.kind !== 'holes' || operation.depth) return [];
  const { from, offset, face } = operation;
  const w = face === 1 ? size.thickness + INTO : -INTO;
  return operation.positions.map(({ mm }) => at(from, mm, offset.mm, w));
}

/** Screws that leave their part where no wood is to hold them, or too near the edge of what is there. */
const screwInAir: GeneralRule = {
  id: 'carcass/screw-in-air',
  check({ parts }, named) {
    const holds = (point: Point, own: Part) =>
      parts.some(
        ({ extent: { min, max }, key }) =>
          key !== own.key &&
          point.every((value, k) => {
            const thin = Math.min(AROUND, ((max[k as 0] - min[k as 0]) as number) / 2 - 1e-6);
            return value > min[k as 0] + thin - 0.01 && value < max[k as 0] - thin + 0.01;
          }),
      );
    return parts.flatMap((part): FindingDraft[] => {
      if (named.has(part.key)) return [];
      const lost = part.machining.filter((operation) => beyond(part, operation).some((point) => !holds(point, part)));
      const [first] = lost;
      if (!first) return [];
      return [
        {
          severity: 'stop',
          what: `Screws in ${within(part.name)} meet no wood: ${first.reason}.`,
          why: 'What they should hold does not lie behind them, or ends there. Change the joint, or the sizes of what is joined.',
          parts: [part.key],
        },
      ];
    });
  },
};

export const generalRules: readonly GeneralRule[] = [twoInOnePlace, screwInAir];
