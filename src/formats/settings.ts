import type { HouseSet, Leaf } from '../core/decisions/index.js';
import { capital, formatLengthWithUnit, type LengthStyle } from '../core/ground/index.js';
import { settingSections as settingSectionsShown } from '../core/solve/index.js';

const STYLE: Readonly<Record<HouseSet, LengthStyle>> = {
  metric: { unit: 'mm', mmStep: 0.1, graduation: 64 },
  inch: { unit: 'in', mmStep: 0.1, graduation: 64 },
};

const MEASURES: Readonly<Record<string, string>> = { degrees: '°', count: '', plain: '' };

function written(value: unknown, { measure }: Leaf, set: HouseSet): string {
  if (typeof value !== 'number') return String(value);
  return measure === 'mm' ? formatLengthWithUnit(value, STYLE[set]) : `${value}${MEASURES[measure] ?? ` ${measure}`}`;
}

/** What may stand in a setting: its words, or its limits. */
function allowed(leaf: Leaf, set: HouseSet): string {
  if (leaf.options) return Object.keys(leaf.options).join(', ');
  if (leaf.limits) return `${written(leaf.limits.min, leaf, set)} to ${written(leaf.limits.max, leaf, set)}`;
  return leaf.from ? `none, or an id of ${leaf.from}` : 'an id of materials';
}

/** Every setting there is as lines of text: path, what it is, what may stand there, what a new job starts with. */
export function settingsText(set: HouseSet): string {
  const lines = settingSectionsShown.flatMap(({ title, leaves }) => [
    '',
    title,
    ...leaves.flatMap((leaf) => [
      `  ${leaf.key} = ${written(leaf.defaults[set], leaf, set)}`,
      `      ${leaf.label}; ${allowed(leaf, set)}`,
    ]),
  ]);
  return `${lines.slice(1).join('\n')}\n`;
}

/** The same as a page of the documentation, with both starting sets. */
export function settingsPage(): string {
  const tables = settingSectionsShown.map(({ title, leaves }) =>
    [
      `## ${title}`,
      '',
      '| setting | is | may be | metric | inch |',
      '|---|---|---|---|---|',
      ...leaves.map(
        (leaf) =>
          `| \`${leaf.key}\` | ${capital(leaf.label)}${leaf.trade ? `. ${leaf.trade}` : ''} | ${allowed(leaf, 'metric')} | ${written(leaf.defaults.metric, leaf, 'metric')} | ${written(leaf.defaults.inch, leaf, 'inch')} |`,
      ),
    ].join('\n'),
  );
  return `# Settings\n\nMade from their declarations by \`npm run alcove -- settings --page\`; a test holds it current. A path is what stands under \`settings\` of a cabinet, under a layer of \`standards\`, or under \`house.all\`: \`toe/height\` is \`{ "toe": { "height": 100 } }\`.\n\n${tables.join('\n\n')}\n`;
}
