import type { FindingDraft } from '../../cabinet/index.js';
import {
  type DeclaredPath,
  type JobHead,
  type PathsOn,
  type ProposedAct,
  pathTo,
  setChoice,
  settingPath,
} from '../../decisions/index.js';
import { within } from '../../ground/index.js';
import { boxRules } from './boxRules.js';
import { bracketRules } from './bracketRules.js';
import type { FittedDrawer } from './drawers.js';
import { drawerFill } from './fills.js';
import { innerRules } from './innerRules.js';
import { runnerProfilesOf } from './profile.js';
import type { RunnerRule, RunnerRuleContext } from './rule.js';

/** Decided for the whole job and no longer for this cabinet. */
function inJob(
  context: RunnerRuleContext,
  label: string,
  setting: PathsOn<RunnerRuleContext>,
  value: unknown,
): ProposedAct {
  return {
    label,
    edits: [
      { path: settingPath(context, setting), value: undefined },
      { path: pathTo.standard('all', setting as string as DeclaredPath), value },
    ],
  };
}

/** Drawer fronts with nothing behind them. */
const nothingBehind: RunnerRule = {
  id: 'drawers/nothing-behind',
  check(context) {
    const { fronts, resolved } = context;
    const drawers = fronts.filter(({ kind }) => kind === 'drawer');
    const { fitted } = resolved.settings.drawers;
    // What was decided for this very cabinet is meant so.
    if (drawers.length === 0 || fitted.value === 'boxes' || fitted.source.kind === 'here') return [];
    return [
      {
        severity: 'warn',
        what: `${drawers.length === 1 ? 'A drawer front has' : `${drawers.length} drawer fronts have`} no box and no runners behind.`,
        why: 'The job is from before drawers were figured. Fit them here, or in the whole job; decide that here is nothing to leave it so.',
        parts: drawers.flatMap(({ parts }) => parts.map(({ key }) => key)),
        settings: [settingPath(context, 'drawers/fitted')],
        fixes: [
          setChoice(context, 'Fit boxes and runners here', 'drawers/fitted', 'boxes'),
          inJob(context, 'Fit them in the whole job', 'drawers/fitted', 'boxes'),
          setChoice(context, 'Leave it so here', 'drawers/fitted', 'none'),
        ],
      },
    ];
  },
};

const FAMILIES = {
  side: 'Take side-mounted runners',
  corner: 'Take roller runners',
  under: 'Take hidden runners',
  tall: 'Take a tall pull-out',
} as const;

/** Where its runners were raised: as low as they go again. */
function letDown(raised: FittedDrawer['raised'], path: FittedDrawer['path']): ProposedAct[] {
  return raised
    ? [{ label: 'Let its runners down again', edits: [{ path: drawerFill.at(path, 'raised'), value: undefined }] }]
    : [];
}

/** No runner of the library carries a drawer here. */
const noRunner: RunnerRule = {
  id: 'drawers/no-runner',
  check(context) {
    const { fitted, resolved, show } = context;
    const { drawers } = resolved.settings;
    return fitted.runners
      .filter(({ plan }) => plan === undefined)
      .map(({ name, front, against, across, depth, raised, path }): FindingDraft => {
        const own = against.filter(({ unasked }) => !unasked);
        const reasons = [...new Map(own.map((each) => [each.profile, each])).values()];
        const told = reasons
          .slice(0, 3)
          .map(({ name: runner, length, why }) => `${runner}${length ? `, ${show(length)}` : ''}: ${why}`);
        return {
          severity: 'stop',
          what: `No runner in the library carries ${within(name)}.`,
          why:
            told.length > 0
              ? `${told.join('; ')}.`
              : drawers.choice.value === 'none'
                ? 'The library has none of this family that closes so.'
                : `The library has no runner "${drawers.choice.value}".`,
          numbers: [across, depth],
          parts: [front],
          settings: [settingPath(context, 'drawers/family'), settingPath(context, 'drawers/choice')],
          fixes: [
            ...letDown(raised, path),
            ...(drawers.choice.value === 'none'
              ? []
              : [setChoice(context, 'Leave the runner to the rules', 'drawers/choice', 'none')]),
            ...(drawers.length.value > 0
              ? [
                  {
                    label: 'Take the longest that fits',
                    edits: [{ path: settingPath(context, 'drawers/length'), value: 0 }],
                  },
                ]
              : []),
            ...(drawers.closing.value === 'any'
              ? []
              : [setChoice(context, 'Let it close as the runner does', 'drawers/closing', 'any')]),
            ...(['side', 'corner', 'under'] as const)
              .filter((family) => family !== drawers.family.value)
              .map((family) => setChoice(context, FAMILIES[family], 'drawers/family', family)),
            setChoice(context, 'Leave the room behind it empty', 'drawers/fitted', 'none'),
          ],
        };
      });
  },
};

/** Runners that nothing carries, or a wooden drawer that runs on nothing. */
const nothingCarries: RunnerRule = {
  id: 'drawers/nothing-carries',
  check(context) {
    const { fitted } = context;
    return fitted.runners
      .filter(({ carried, plan }) => plan && !carried)
      .map(({ name, front, runner, raised, path }) => ({ name, front, raised, path, wooden: runner === undefined }))
      .map(({ name, front, raised, path, wooden }) => ({
        severity: 'stop',
        what: wooden
          ? `Nothing lies under ${within(name)} for it to run on.`
          : `Nothing stands beside ${within(name)} to carry its runners.`,
        why: wooden
          ? 'Wood on wood wants a web frame or a shelf under every drawer.'
          : 'The column beside it has no partition. Put one in.',
        parts: [front],
        settings: [settingPath(context, wooden ? 'dividers/betweenFronts' : 'dividers/partitions')],
        fixes: wooden
          ? [
              ...letDown(raised, path),
              setChoice(context, 'Put web frames between the fronts', 'dividers/betweenFronts', 'web'),
              setChoice(context, 'Take side-mounted runners', 'drawers/family', 'side'),
            ]
          : [setChoice(context, 'Put partitions in', 'dividers/partitions', 'partition')],
      }));
  },
};

/** More may go in than the runners carry. */
const overloaded: RunnerRule = {
  id: 'drawers/overloaded',
  check: (context) =>
    context.fitted.runners.flatMap(({ name, front, runner }): FindingDraft[] =>
      runner && runner.contents.value > runner.load.value
        ? [
            {
              severity: 'warn',
              what: `${name} may hold ${Math.round(runner.contents.value)} kg; its runners carry ${runner.load.value} kg.`,
              why: 'Full of what it is meant for it sags and wears out. Take stronger runners, a smaller drawer, or say what goes in.',
              numbers: [runner.contents, runner.load],
              parts: [front],
              settings: [settingPath(context, 'drawers/contents'), settingPath(context, 'drawers/choice')],
              fixes: [
                ...strongEnough(context.head, context, runner),
                setChoice(context, 'Only clothes and linen go in', 'drawers/contents', 'light'),
              ],
            },
          ]
        : [],
    ),
};

function strongEnough(
  head: JobHead,
  context: RunnerRuleContext,
  runner: NonNullable<FittedDrawer['runner']>,
): ProposedAct[] {
  return runnerProfilesOf(head)
    .filter(({ load, family }) => load >= runner.contents.value && family !== 'under')
    .slice(0, 1)
    .map(({ id, name }) => setChoice(context, `Take the ${name}`, 'drawers/choice', id));
}

export const runnerRules: readonly RunnerRule[] = [
  ...innerRules,
  nothingBehind,
  noRunner,
  nothingCarries,
  overloaded,
  ...bracketRules,
  ...boxRules,
];
