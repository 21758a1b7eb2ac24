import type { FindingDraft } from '../../cabinet/index.js';
import { pathTo, setChoice, settingPath } from '../../decisions/index.js';
import { capital, within } from '../../ground/index.js';
import { overlap } from '../../part/index.js';
import type { LiftRule } from './rule.js';

/** The factor lies outside every range. */
const outOfRange: LiftRule = {
  id: 'lifts/out-of-range',
  check: (context) =>
    context.fitted.lifts
      .filter(({ profile }) => profile === undefined)
      .map(({ name, front, opening, factor, against }): FindingDraft => {
        const decided = context.resolved.settings.lifts.choice.value;
        const cell = context.face.ok ? context.face.cells.find((each) => each.opening.id === opening) : undefined;
        const own = against.filter(({ unasked }) => !unasked);
        return {
          severity: 'stop',
          what: `No lift of the library holds ${name}: its factor is ${Math.round(factor.value)}.`,
          why:
            own.length > 0
              ? `${own
                  .slice(0, 3)
                  .map(({ name: lift, why }) => `${capital(lift)} ${why}`)
                  .join('; ')}.`
              : `The library has no lift "${decided}".`,
          numbers: [factor],
          parts: [front],
          settings: [settingPath(context, 'lifts/choice')],
          fixes: [
            ...(decided === 'none' ? [] : [setChoice(context, 'Leave the lift to the rules', 'lifts/choice', 'none')]),
            ...(cell
              ? [
                  {
                    label: 'Hang a pair of doors',
                    edits: [
                      {
                        path: pathTo.openingField(cell.path, 'fill'),
                        value: { ...cell.fill, kind: 'pair' },
                      },
                    ],
                  },
                ]
              : []),
          ],
        };
      }),
};

/** A lift that nothing carries. */
const notCarried: LiftRule = {
  id: 'lifts/nothing-carries',
  check: (context) =>
    context.fitted.lifts
      .filter(({ carried, profile }) => profile && !carried)
      .map(({ name, front }) => ({
        severity: 'stop',
        what: `Nothing stands beside ${name} to carry its lift.`,
        why: 'The column beside it has no partition. Put one in.',
        parts: [front],
        settings: [settingPath(context, 'dividers/partitions')],
        fixes: [setChoice(context, 'Put partitions in', 'dividers/partitions', 'partition')],
      })),
};

/** A shelf where the bodies of a lift are. */
const againstShelf: LiftRule = {
  id: 'lifts/against-shelf',
  check: ({ occupied, parts, fitted }) =>
    occupied
      .filter(({ by }) => by === 'lifts')
      .flatMap((room): FindingDraft[] => {
        const met = parts.find(
          ({ role, extent }) => (role === 'shelf' || role === 'divider') && overlap(room.extent, extent),
        );
        if (!met) return [];
        return [
          {
            severity: 'stop',
            what: `${met.name} stands where ${room.name} has its body.`,
            why: 'The arm cannot swing. Put the shelf lower, or take one away.',
            parts: [met.key, ...fitted.lifts.map(({ front }) => front).slice(0, 1)],
          },
        ];
      })
      .slice(0, 1),
};

/** What a front swings up to needs room over it in the room (mm). */
const overhead: LiftRule = {
  id: 'lifts/overhead',
  check: (context) => {
    const { cabinet, fronts, fitted, head, show, box } = context;
    const { ceiling } = head.room;
    // How high a wall cabinet hangs nobody has said.
    if (ceiling === null || cabinet.kind === 'wall') return [];
    return fitted.lifts.flatMap(({ name, front, profile }): FindingDraft[] => {
      const own = fronts.find(({ key }) => key === front);
      if (!own || !profile) return [];
      const above = Math.max(0, -Math.cos((profile.opening * Math.PI) / 180)) * own.v.size.value;
      const top = box.underHeight.value + own.v.high.value + above;
      return top <= ceiling
        ? []
        : [
            {
              severity: 'warn',
              what: `${capital(within(name))} reaches ${show(top)} when it is up; the ceiling is at ${show(ceiling)}.`,
              why: 'It strikes the ceiling. Limit how far it opens, or make it lower.',
              parts: [front],
            },
          ];
    });
  },
};

export const liftRules: readonly LiftRule[] = [outOfRange, notCarried, againstShelf, overhead];
