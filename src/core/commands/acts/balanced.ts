import type { Balance } from '../../build/index.js';
import { type Act, pathTo } from '../../decisions/index.js';
import type { SolvedCabinet } from '../../solve/index.js';

/** Makes the sides this long by changing the height the maker decided. */
export function makeBalanced({ cabinet }: SolvedCabinet, { now }: Balance, length: number): Act {
  const { height } = cabinet.size;
  const edit =
    height.from === 'overall'
      ? { path: pathTo.cabinetField(cabinet.id, 'size/height/mm'), value: height.mm + length - now }
      : { path: pathTo.cabinetField(cabinet.id, 'size/height/finished'), value: height.finished + length - now };
  return { label: 'Balanced side', edits: [edit] };
}
