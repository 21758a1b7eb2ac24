import { meets } from '../../build/index.js';
import type { FindingDraft } from '../../cabinet/index.js';
import { setChoice, settingPath } from '../../decisions/index.js';
import type { HangerRule } from './rule.js';

/** More may hang than its hangers carry. */
const overloaded: HangerRule = {
  id: 'hangers/overloaded',
  check(context): FindingDraft[] {
    const { hangers } = context.fitted;
    if (!hangers?.profile || hangers.wanted <= hangers.room) return [];
    const { weight, contents, profile, wanted, room } = hangers;
    return [
      {
        severity: 'stop',
        what: `The cabinet weighs ${Math.round(weight.value)} kg and may hold ${Math.round(contents.value)} kg: of hangers for ${profile.load} kg that wants ${wanted}, and ${room} have an upright to hang on.`,
        why: 'A hanger that carries more than its maker says gives way. Take stronger ones, hang it by its nailers, or say that less goes in.',
        numbers: [weight, contents],
        settings: [settingPath(context, 'hangers/choice'), settingPath(context, 'shelves/load')],
        fixes: [setChoice(context, 'Hang it by its nailers', 'hangers/fitted', 'none')],
      },
    ];
  },
};

/** The hanger that was decided is not there. */
const noHanger: HangerRule = {
  id: 'hangers/no-hanger',
  check(context): FindingDraft[] {
    const { hangers } = context.fitted;
    if (!hangers || hangers.profile) return [];
    return [
      {
        severity: 'stop',
        what: `The library has no hanger "${context.resolved.settings.hangers.choice.value}".`,
        why: 'Nothing holds the cabinet to the wall. Take one of the library, or hang it by its nailers.',
        settings: [settingPath(context, 'hangers/choice')],
        fixes: [
          setChoice(context, 'Leave the hanger to the rules', 'hangers/choice', 'none'),
          setChoice(context, 'Hang it by its nailers', 'hangers/fitted', 'none'),
        ],
      },
    ];
  },
};

/** Something stands where a hanger goes. */
const inTheWay: HangerRule = {
  id: 'hangers/in-the-way',
  check(context): FindingDraft[] {
    const { occupied, parts, fitted } = context;
    const own = occupied.filter(({ by }) => by === 'hangers');
    const met = parts.filter(
      ({ key, extent }) => !fitted.hangers?.carriers.includes(key) && own.some((room) => meets(room.extent, extent)),
    );
    const [first] = met;
    if (!first) return [];
    return [
      {
        severity: 'stop',
        what: `${first.name} stands where a hanger goes.`,
        why: 'Hangers want the upper rear corners free. Leave the nailer out, or hang the cabinet by it.',
        parts: met.map(({ key }) => key),
        settings: [settingPath(context, 'hangers/fitted')],
        fixes: [
          setChoice(context, 'Hang it by its nailers', 'hangers/fitted', 'none'),
          ...(first.role === 'nailer' ? [setChoice(context, 'Leave the nailers out', 'nailer/rails', 'none')] : []),
        ],
      },
    ];
  },
};

export const hangerRules: readonly HangerRule[] = [overloaded, noHanger, inTheWay];
