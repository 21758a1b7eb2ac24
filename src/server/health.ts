/** What is wrong with the shop as a whole, by what it concerns. */
export type Concern = 'database' | 'copy';

const SLOT = Symbol.for('alcove.health');
const slot = globalThis as { [SLOT]?: Map<Concern, string> };

/** One for the host and the pages it runs. */
function concerns(): Map<Concern, string> {
  slot[SLOT] ??= new Map();
  return slot[SLOT];
}

/** Says what is wrong, in one sentence, or that it is well again. */
export function setConcern(concern: Concern, sentence: string | undefined): void {
  if (sentence === undefined) concerns().delete(concern);
  else concerns().set(concern, sentence);
}

/** The same without a place or a name, for whoever watches over the server. */
const IN_SHORT: Readonly<Record<Concern, string>> = {
  database: 'The database cannot be used as it is.',
  copy: 'The last copy of the database could not be made.',
};

/** What is wrong, in short. */
export function healthNow(isUsable: boolean): readonly string[] {
  const open = new Set(concerns().keys());
  if (!isUsable) open.add('database');
  return [...open].map((concern) => IN_SHORT[concern]);
}

/** All that is wrong now. */
export const openConcerns = (): readonly string[] => [...concerns().values()];
