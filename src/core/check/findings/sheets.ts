import type { FindingDraft, FindingRule, RuleContext } from '../../cabinet/index.js';
import { type JobHead, type Material, type ProposedAct, pathTo, setChoice } from '../../decisions/index.js';
import { TOLERANCE_MM } from '../../ground/index.js';
import type { LetteredRow, Part, PartRole } from '../../part/index.js';

interface Usable {
  readonly length: number;
  readonly width: number;
}

/** What can be cut out of the sheets there are of a material, edges trimmed: its own size, and those in stock. */
function usable({ workshop, stock }: JobHead, { id, sheet, form }: Material): Usable[] {
  // Solid wood is glued up of boards: as wide as is wanted, and no longer than a board.
  if (form === 'solid') return [{ length: sheet.length, width: Number.POSITIVE_INFINITY }];
  const trim = workshop.cutting.trim;
  const inside = ({ length, width }: Usable, off: number) => ({ length: length - 2 * off, width: width - 2 * off });
  return [
    inside(sheet, trim),
    ...stock.sheets
      .filter(({ material, count }) => material === id && count !== 0)
      .map((row) => inside(row, row.offcut ? 0 : trim)),
  ];
}

/** True when a blank comes out of one sheet there is of a material, grain along the sheet. */
export function comesOut(head: JobHead, material: Material, along: number, across: number): boolean {
  return fits(along, across, usable(head, material));
}

function fits(length: number, width: number, sheets: readonly Usable[]): boolean {
  return sheets.some((sheet) => length <= sheet.length + TOLERANCE_MM && width <= sheet.width + TOLERANCE_MM);
}

/** True when the part fits no sheet there is; `turned` lets it lie across the grain. */
function exceeds(
  { cutLength, cutWidth, material, grainRuns }: Part,
  sheets: readonly Usable[],
  turned: boolean,
): boolean {
  const across = grainRuns === 'width';
  const [length, width] = across ? [cutWidth.value, cutLength.value] : [cutLength.value, cutWidth.value];
  const either = turned || material.grain === 'none' || grainRuns === 'either';
  return !fits(length, width, sheets) && !(either && fits(width, length, sheets));
}

/** The other way for the grain of what comes out of a sheet only turned: a back, or doors. */
function turnedGrain(context: RuleContext, group: readonly LetteredRow[]): ProposedAct[] {
  const all = (role: PartRole) => group.every(({ part }) => part.role === role);
  const upright = group[0]?.part.placement.u.endsWith('z') === true;
  const way = upright ? 'across' : 'up';
  if (all('back')) return [setChoice(context, `Let the grain of the back run ${way}`, 'back/grain', way)];
  if (all('door')) return [setChoice(context, `Let the grain of the doors run ${way}`, 'fronts/doorGrain', way)];
  return [];
}

/** Any part that no sheet of its material is large enough for, edges trimmed and grain respected; parts of one material together. */
const partExceedsSheet: FindingRule = {
  id: 'sizes/part-exceeds-sheet',
  check(context) {
    const { rows, show, head } = context;
    const tooLarge = new Map<string, LetteredRow[]>();
    for (const row of rows)
      if (!row.part.bought && exceeds(row.part, usable(head, row.part.material), false))
        tooLarge.set(row.part.material.id, [...(tooLarge.get(row.part.material.id) ?? []), row]);
    return [...tooLarge.values()].map((group): FindingDraft => {
      const { material } = (group[0] as LetteredRow).part;
      const sheets = usable(head, material);
      const names = group.map(
        ({ part }) => `${part.name} (${show(part.cutLength.value)} by ${show(part.cutWidth.value)})`,
      );
      const turned = group.every(({ part }) => !exceeds(part, sheets, true));
      const raw = group.every(({ part }) => !exceeds(part, [material.sheet], false));
      const are = names.length === 1 ? 'is' : 'are';
      if (material.form === 'solid')
        return {
          severity: 'stop',
          what: `${names.join(', ')} ${are} longer along the grain than a board of ${material.name}, ${show(material.sheet.length)}.`,
          why: 'Boards are glued up side by side, not end to end. Get longer boards, or split the cabinet.',
          numbers: group.flatMap(({ part }) => [part.cutLength, part.cutWidth]),
          parts: group.flatMap(({ keys }) => keys),
          settings: [pathTo.materialField(material.id, 'sheet')],
        };
      return {
        severity: 'stop',
        what: `${names.join(', ')} ${are} larger than a sheet of ${material.name}, ${show(material.sheet.length)} by ${show(material.sheet.width)}${raw ? ', when its edges are trimmed' : ''}.`,
        why: raw
          ? `It would take the edges, of which ${show(head.workshop.cutting.trim)} each are trimmed off: trim less, or choose a larger sheet.`
          : turned
            ? 'It fits only across the grain, and its grain is locked to its length.'
            : 'It cannot be cut in one piece: choose a larger sheet or split the cabinet.',
        numbers: group.flatMap(({ part }) => [part.cutLength, part.cutWidth]),
        parts: group.flatMap(({ keys }) => keys),
        settings: [pathTo.materialField(material.id, 'sheet')],
        fixes: turned ? turnedGrain(context, group) : [],
      };
    });
  },
};

const narrowestOf = ({ cutWidth, cutLength }: Part) => Math.min(cutWidth.value, cutLength.value);

/** A strip that is narrower than the shop's safe rip. */
const narrowRip: FindingRule = {
  id: 'sheets/narrow-rip',
  check({ rows, head, show }) {
    const { safeRip } = head.workshop.cutting;
    const narrow = rows.filter(
      ({ part }) => !part.bought && narrowestOf(part) > TOLERANCE_MM && narrowestOf(part) < safeRip - TOLERANCE_MM,
    );
    if (narrow.length === 0) return [];
    const names = narrow.map(({ part }) => `${part.name} (${show(narrowestOf(part))})`);
    return [
      {
        severity: 'warn',
        what: `${names.join(', ')} ${names.length === 1 ? 'is' : 'are'} narrower than the ${show(safeRip)} this shop rips by hand.`,
        why: 'A narrow strip brings the hands near the blade: rip it off a wide board on the far side of the blade, with push block and riving knife, as the saw maker says.',
        numbers: narrow.map(({ part }) =>
          part.cutWidth.value <= part.cutLength.value ? part.cutWidth : part.cutLength,
        ),
        parts: narrow.flatMap(({ keys }) => keys),
        settings: [pathTo.workshop('cutting', 'safeRip')],
      },
    ];
  },
};

export const sheetRules: readonly FindingRule[] = [partExceedsSheet, narrowRip];
