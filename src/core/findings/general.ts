import type { Part } from '../parts/index.js';
import { meeting, type PartShape, shapeOf, sharedVolume } from '../solids/index.js';
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
                what: `${a.name} and ${called(b)} stand in one place, ${x} wide, ${y} deep and ${z} high.`,
                why: 'Two parts cannot fill the same space, and nothing is cut out of either to make room. Change the sizes or the construction of one of them.',
                parts: [a.key, b.key],
              },
            ];
          }),
    );
  },
};

const called = ({ name }: Part) => name.charAt(0).toLowerCase() + name.slice(1);

export const generalRules: readonly GeneralRule[] = [twoInOnePlace];
