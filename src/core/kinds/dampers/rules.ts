import { keysOf } from '../../build/index.js';
import type { FindingDraft } from '../../cabinet/index.js';
import { settingPath } from '../../decisions/index.js';
import { capital } from '../../ground/index.js';
import { FURTHEST, NEAREST } from './dampers.js';
import type { DamperRule } from './rule.js';

/** A damper with nothing over its door to be screwed to. */
const nothingCarries: DamperRule = {
  id: 'dampers/nothing-carries',
  check: ({ resolved, fitted: { dampers } }) =>
    dampers.flatMap(({ frontKey, name, carrier }): FindingDraft[] => {
      if (carrier !== undefined) return [];
      const path = settingPath({ resolved }, 'dampers/doors');
      return [
        {
          severity: 'warn',
          what: `Nothing lies over ${name} that its damper could be screwed to.`,
          why: 'It is not bored. A top, a stretcher or a fixed shelf would carry it; damped hinges need none.',
          parts: [frontKey],
          settings: [path],
          fixes: [{ label: 'Fit no dampers', edits: [{ path, value: 'none' }] }],
        },
      ];
    }),
};

/** Whatever place a damper may have is taken. */
const noRoom: DamperRule = {
  id: 'dampers/no-room',
  check: ({ resolved, show, fitted: { dampers, catches } }) =>
    dampers.flatMap(({ frontKey, name, carrier, clear }): FindingDraft[] => {
      if (carrier === undefined || clear) return [];
      const path = settingPath({ resolved }, 'dampers/doors');
      const caught = catches.some((each) => each.frontKey === frontKey);
      return [
        {
          severity: 'warn',
          what: `The damper of ${name} has no free place ${show(NEAREST)} to ${show(FURTHEST)} from the edge where it opens.`,
          why: caught
            ? 'The catch of the door is there. A door wants one or the other: it is not bored until that is decided.'
            : 'Something is bored or stands there already. It is not bored until that is settled.',
          parts: [frontKey],
          settings: [path],
          fixes: [
            ...(caught
              ? [
                  {
                    label: 'Fit no catches',
                    edits: [{ path: settingPath({ resolved }, 'catches/doors'), value: 'none' }],
                  },
                ]
              : []),
            { label: 'Fit no dampers', edits: [{ path, value: 'none' }] },
          ],
        },
      ];
    }),
};

/** A door that is heavier than its damper slows. */
const tooHeavy: DamperRule = {
  id: 'dampers/too-heavy',
  check: ({ resolved, fitted: { dampers, hinges } }) =>
    dampers.flatMap(({ frontKey, name, profile }): FindingDraft[] => {
      const door = hinges.find(({ front }) => front.key === frontKey);
      if (!door || door.weight.value <= profile.door) return [];
      return [
        {
          severity: 'warn',
          what: `${capital(name)} weighs ${door.weight.value.toFixed(1)} kg; its damper slows up to ${profile.door} kg.`,
          why: 'It goes on slamming, and the piston wears out. A stronger damper, or damped hinges.',
          numbers: [door.weight],
          parts: keysOf(door.front),
          settings: [settingPath({ resolved }, 'dampers/doors')],
        },
      ];
    }),
};

/** Hinges that are damped themselves, or that pull nothing shut: a damper does nothing for either. */
const hingeDoesIt: DamperRule = {
  id: 'dampers/hinge-does-it',
  check: ({ resolved, fitted: { dampers, hinges } }) =>
    dampers.flatMap(({ frontKey, name }): FindingDraft[] => {
      const door = hinges.find(({ front }) => front.key === frontKey);
      const closing = door?.chosen?.profile.closing;
      if (!door || closing === undefined || closing === 'snap') return [];
      const path = settingPath({ resolved }, 'dampers/doors');
      return [
        {
          severity: 'note',
          what:
            closing === 'damped'
              ? `The hinges of ${name} are damped themselves.`
              : `The hinges of ${name} do not pull it shut.`,
          why:
            closing === 'damped'
              ? 'Two dampers on one door leave it standing open a little. One of them is enough.'
              : 'A damper slows a door that closes by itself; this one stays ajar against it.',
          parts: keysOf(door.front),
          settings: [path],
          fixes: [{ label: 'Fit no dampers', edits: [{ path, value: 'none' }] }],
        },
      ];
    }),
};

export const damperRules: readonly DamperRule[] = [nothingCarries, noRoom, tooHeavy, hingeDoesIt];
