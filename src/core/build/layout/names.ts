import { type FillBook, isSplit, type Opening, type Split } from '../../decisions/index.js';

/** What every opening is called; those of a kind are numbered in reading order where there are several. */
export function openingNames(split: Split, { opening: says }: FillBook): Map<string, string> {
  const leaves: Opening[] = [];
  const names = new Map<string, string>();
  const walk = ({ kind, parts }: Split) => {
    for (const [at, opening] of parts.entries()) {
      if (isSplit(opening.fill)) {
        names.set(opening.id, `${kind === 'rows' ? 'row' : 'column'} ${at + 1}`);
        walk(opening.fill);
      } else leaves.push(opening);
    }
  };
  walk(split);
  for (const opening of leaves) {
    const alike = leaves.filter((other) => other.fill.kind === opening.fill.kind);
    const name = says[opening.fill.kind]?.called ?? 'opening';
    names.set(opening.id, alike.length === 1 ? name : `${name} ${alike.indexOf(opening) + 1}`);
  }
  return names;
}
