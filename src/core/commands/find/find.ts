import { type Job, offeredOn, pathTo, settingOf } from '../../decisions/index.js';
import { capital, Dim, formatLength, formatLengthWithUnit, formatMm } from '../../ground/index.js';
import { type SolvedCabinet, settingSections as settingSectionsShown } from '../../solve/index.js';
import { otherWords } from './synonyms.js';

/** Where something that was found is. */
export type Lead =
  | { readonly to: 'decision'; readonly path: string }
  | { readonly to: 'part'; readonly key: string }
  | { readonly to: 'cabinet'; readonly id: string };

/** Something that can be looked for: by its words, and by what others call it. */
export interface Findable {
  readonly id: string;
  readonly group: 'Decisions' | 'Parts' | 'Cabinets';
  readonly words: string;
  /** As it stands now. */
  readonly value: string;
  readonly also: readonly string[];
  readonly lead: Lead;
}

/** Every decision, part and cabinet a maker may look for from one cabinet, in working order. */
export function findables(solved: SolvedCabinet, job: Job): Findable[] {
  return [...sizes(solved, job), ...decisions(solved, job), ...parts(solved, job), ...cabinets(job)];
}

const found = (group: Findable['group'], id: string, words: string, value: string, lead: Lead): Findable => ({
  id: `${group} ${id}`,
  group,
  words,
  value,
  also: otherWords(words),
  lead,
});

function sizes({ cabinet, box }: SolvedCabinet, job: Job): Findable[] {
  const field = (name: Parameters<typeof pathTo.cabinetField>[1], words: string, dim: Dim) => {
    const path = pathTo.cabinetField(cabinet.id, name);
    return found('Decisions', path, words, formatLengthWithUnit(dim.value, job.display), { to: 'decision', path });
  };
  const fromWorktop = cabinet.size.height.from === 'worktop';
  return [
    field('size/width', 'Overall width', box.overallWidth),
    field(fromWorktop ? 'size/height/finished' : 'size/height/mm', 'Overall height', box.overallHeight),
    field('size/depth', 'Overall depth', box.overallDepth),
  ];
}

/** Settings that matter on this cabinet; what does not is no use to find. */
function decisions(solved: SolvedCabinet, job: Job): Findable[] {
  const named = new Map([...job.materials, ...Object.values(job.hardware).flat()].map(({ id, name }) => [id, name]));
  return settingSectionsShown.flatMap(({ title, leaves }) =>
    leaves
      .filter((leaf) => offeredOn(solved, leaf))
      .map(({ key, label, measure, options }) => {
        const value = settingOf(solved, key);
        const shown =
          value instanceof Dim
            ? measure === 'mm'
              ? formatLengthWithUnit(value.value, job.display)
              : `${formatMm(value.value)}${measure === 'degrees' ? '°' : ''}`
            : (options?.[value.value] ?? named.get(value.value) ?? value.value);
        return {
          ...found('Decisions', key, capital(label), shown, { to: 'decision', path: key }),
          also: [title, ...otherWords(`${title} ${label}`)],
        };
      }),
  );
}

function parts({ rows }: SolvedCabinet, job: Job): Findable[] {
  const show = (dim: Dim) => formatLength(dim.value, job.display);
  return rows.map(({ mark, part, quantity }) =>
    found(
      'Parts',
      part.key,
      `${mark} ${part.name}`,
      `${quantity > 1 ? `${quantity} of ` : ''}${show(part.cutLength)} × ${show(part.cutWidth)}`,
      { to: 'part', key: part.key },
    ),
  );
}

function cabinets({ cabinets: all, display }: Job): Findable[] {
  return all.map(({ id, number, name, size }) =>
    found('Cabinets', id, `${number} ${name}`, `${formatLengthWithUnit(size.width, display)} wide`, {
      to: 'cabinet',
      id,
    }),
  );
}
