import type { FindingDraft } from '../../cabinet/index.js';
import { setChoice, settingPath } from '../../decisions/index.js';
import { capital } from '../../ground/index.js';
import { legProfilesOf } from './profile.js';
import type { LegRule } from './rule.js';

/** No leg is as high as the toe. */
const noLeg: LegRule = {
  id: 'legs/no-leg',
  check(context) {
    const { fitted, resolved, show } = context;
    const { legs } = fitted;
    if (!legs || legs.profile) return [];
    const { height } = resolved.settings.toe;
    const own = legs.against.filter(({ unasked }) => !unasked);
    const near = legProfilesOf(context.head)
      .flatMap(({ height: { from, to } }) => [from, to])
      .sort((a, b) => Math.abs(a - height.value) - Math.abs(b - height.value))[0];
    const path = settingPath(context, 'toe/height');
    return [
      {
        severity: 'stop',
        what: `No leg of the library is ${show(height.value)} high.`,
        why:
          own.length > 0
            ? `${own
                .slice(0, 3)
                .map(({ name, why }) => `${capital(name)} ${why}`)
                .join('; ')}.`
            : 'The leg that was decided is not in the library.',
        numbers: [height],
        parts: ['bottom'],
        settings: [path, settingPath(context, 'legs/choice')],
        fixes: [
          ...(resolved.settings.legs.choice.value === 'none'
            ? []
            : [setChoice(context, 'Leave the leg to the rules', 'legs/choice', 'none')]),
          ...(near === undefined ? [] : [{ label: `Make the toe ${show(near)} high`, edits: [{ path, value: near }] }]),
          setChoice(context, 'Stand it on a plinth', 'toe/kind', 'plinth'),
        ],
      },
    ];
  },
};

/** More legs are needed than have room side by side. */
const overloaded: LegRule = {
  id: 'legs/overloaded',
  check(context): FindingDraft[] {
    const { legs } = context.fitted;
    if (!legs?.profile || legs.pairs <= legs.room) return [];
    return [
      {
        severity: 'stop',
        what: `The box weighs ${Math.round(legs.weight.value)} kg and may hold ${Math.round(legs.contents.value)} kg: that wants ${legs.pairs} pairs of legs, and ${legs.room} have room.`,
        why: 'A leg that carries more than its maker says gives way. Take stronger legs, a plinth, or a lighter load.',
        numbers: [legs.weight, legs.contents],
        parts: ['bottom'],
        settings: [settingPath(context, 'legs/choice')],
        fixes: [setChoice(context, 'Stand it on a plinth', 'toe/kind', 'plinth')],
      },
    ];
  },
};

export const legRules: readonly LegRule[] = [noLeg, overloaded];
