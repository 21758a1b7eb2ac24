import { all } from './all.js';
import { front } from './front.js';
import { hinge } from './hinge.js';
import { panel } from './panel.js';
import { picture } from './picture.js';
import { plan } from './plan.js';
import { section } from './section.js';

/** Every view of the sheet, in the order of its tabs. */
export const views = [all, front, section, plan, picture, panel, hinge] as const;

export type BenchView = (typeof views)[number]['id'];

/** True for the word of a view. */
export function isView(word: string | null): word is BenchView {
  return views.some(({ id }) => id === word);
}

/** True for a view that leaves no room for the parts list under it. */
export function isTall(id: BenchView): boolean {
  return views.some((view) => view.id === id && view.tall === true);
}
