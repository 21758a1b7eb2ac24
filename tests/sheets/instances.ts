import type { PackProblem } from '../../src/core/shop/index.js';
import { Random } from '../generator/random.js';

/**
 * The ten classic random classes of two-dimensional bin packing. Classes 1 to 6: both sizes evenly from 1 to a most, in
 * square bins. Classes 7 to 10: bins of 100, seven in ten pieces of one of four kinds (wide, tall, large, small), the rest
 * of the three others in equal shares.
 */
export function classic(number: number, pieces: number, seed: number): PackProblem {
  const random = new Random(number * 1000 + pieces * 10 + seed);
  const [most, side] = ([
    [10, 10],
    [10, 30],
    [35, 40],
    [35, 100],
    [100, 100],
    [100, 300],
  ][number - 1] ?? [0, 100]) as [number, number];
  const kinds = [
    () => [random.whole(67, 100), random.whole(1, 50)],
    () => [random.whole(1, 50), random.whole(67, 100)],
    () => [random.whole(50, 100), random.whole(50, 100)],
    () => [random.whole(1, 50), random.whole(1, 50)],
  ] as const;
  const sized = (): readonly number[] => {
    if (number <= 6) return [random.whole(1, most), random.whole(1, most)];
    const main = number - 7;
    const others = [0, 1, 2, 3].filter((kind) => kind !== main);
    const kind = random.whole(1, 10) <= 7 ? main : random.pick(others);
    return (kinds[kind] as () => number[])();
  };
  return {
    sheet: { length: side, width: side, trim: 0 },
    kerf: 0,
    method: 'guillotine',
    parts: Array.from({ length: pieces }, (_, at) => {
      const [length = 1, width = 1] = sized();
      return { id: `p${at + 1}`, length, width, quantity: 1, turn: false };
    }),
  };
}
