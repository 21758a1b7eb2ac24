import { type Act, type IdMaker, pathTo, type Standing } from '../../decisions/index.js';

/** Usual measures of a standing cabinet to begin with, until they are taken (mm). */
const USUAL = { width: 564, left: 0, right: 0, depth: 520, height: 300, trays: 1 } as const;

/** Trays for one more standing cabinet, under the first number that is free. */
export function addStanding(all: readonly Standing[], ids: IdMaker): { readonly act: Act; readonly id: string } {
  const taken = new Set(all.map(({ number }) => number));
  let count = 1;
  while (taken.has(`T${count}`)) count += 1;
  const entry: Standing = { id: ids('s'), number: `T${count}`, name: 'Standing cabinet', ...USUAL, runner: 'none' };
  return {
    act: { label: 'Trays for a standing cabinet', edits: [{ path: pathTo.allStanding, insert: entry }] },
    id: entry.id,
  };
}
