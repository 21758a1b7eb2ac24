import { formatMm, roundForExport } from '../../ground/index.js';
import { partNames, wordsOf } from '../../part/index.js';
import { check, type SolvedCabinet } from '../../solve/index.js';

/** What a cabinet came to: enough to say later what of it has changed. */
export interface Built {
  readonly parts: readonly BuiltPart[];
  readonly fittings: readonly { readonly name: string; readonly quantity: number }[];
  readonly stops: number;
}

interface BuiltPart {
  readonly key: string;
  readonly name: string;
  /** Finished size in mm. */
  readonly size: BuiltSize;
  /** What is cut and bored in it, in words, lengths in mm. */
  readonly machining: readonly string[];
}

/** One thing that came out otherwise; sizes as length, width, thickness in mm, the rest in words. */
export type Changed =
  | { readonly kind: 'size'; readonly part: string; readonly before: BuiltSize; readonly after: BuiltSize }
  | { readonly kind: 'added' | 'gone'; readonly part: string; readonly size: BuiltSize }
  | {
      readonly kind: 'machining';
      readonly part: string;
      readonly before: readonly string[];
      readonly after: readonly string[];
    }
  | { readonly kind: 'fittings'; readonly part: string; readonly before: number; readonly after: number };

export type BuiltSize = readonly [length: number, width: number, thickness: number];

export function builtOf(solved: SolvedCabinet, found = check(solved)): Built {
  const { parts, fittings } = solved;
  return {
    parts: parts.map((part) => ({
      key: part.key,
      name: part.name,
      size: [roundForExport(part.length.value), roundForExport(part.width.value), roundForExport(part.thickness.value)],
      machining: part.machining.map(
        (operation) => `${wordsOf(operation, partNames(part), (mm) => formatMm(mm, 0.01))}: ${operation.reason}`,
      ),
    })),
    fittings: fittings.map(({ name, quantity }) => ({ name, quantity })),
    stops: found.filter(({ severity }) => severity === 'stop').length,
  };
}

/** Sizes closer than this are the same (mm). */
const SAME = 1e-4;

/** What of a cabinet came out otherwise, part by part in the order of the later one; what is gone stands last. */
export function changesBetween(before: Built, after: Built): Changed[] {
  const was = new Map(before.parts.map((part) => [part.key, part]));
  const is = new Set(after.parts.map(({ key }) => key));
  const parts = after.parts.flatMap(({ key, name, size, machining }): Changed[] => {
    const earlier = was.get(key);
    if (!earlier) return [{ kind: 'added', part: name, size }];
    const found: Changed[] = [];
    if (earlier.size.some((value, at) => Math.abs(value - (size[at] as number)) > SAME))
      found.push({ kind: 'size', part: name, before: earlier.size, after: size });
    const gone = earlier.machining.filter((words) => !machining.includes(words));
    const come = machining.filter((words) => !earlier.machining.includes(words));
    if (gone.length + come.length > 0) found.push({ kind: 'machining', part: name, before: gone, after: come });
    return found;
  });
  const gone = before.parts
    .filter(({ key }) => !is.has(key))
    .map(({ name, size }): Changed => ({ kind: 'gone', part: name, size }));
  const counts = (built: Built) => new Map(built.fittings.map(({ name, quantity }) => [name, quantity]));
  const [bought, buys] = [counts(before), counts(after)];
  const fittings = [...new Set([...bought.keys(), ...buys.keys()])].flatMap((name): Changed[] => {
    const [had, has] = [bought.get(name) ?? 0, buys.get(name) ?? 0];
    return had === has ? [] : [{ kind: 'fittings', part: name, before: had, after: has }];
  });
  return [...parts, ...gone, ...fittings];
}
