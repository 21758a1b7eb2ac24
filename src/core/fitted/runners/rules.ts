import type { JobHead, SettingPath } from '../../document/index.js';
import { type FindingDraft, type FindingRule, type RuleContext, setChoice, settingPath } from '../../findings/index.js';
import { type Act, pathTo } from '../../job/index.js';
import { within } from '../../words.js';
import { lapOf } from './corners.js';
import type { FittedDrawer } from './drawers.js';
import { innerRules } from './innerRules.js';

/** Decided for the whole job and no longer for this cabinet. */
function inJob({ cabinet }: Pick<RuleContext, 'cabinet'>, label: string, setting: SettingPath, value: unknown): Act {
  return {
    label,
    edits: [
      { path: pathTo.setting(cabinet.id, setting), value: undefined },
      { path: pathTo.standard('all', setting), value },
    ],
  };
}

/** Drawer fronts with nothing behind them. */
const nothingBehind: FindingRule = {
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

/** No runner of the library carries a drawer here. */
const noRunner: FindingRule = {
  id: 'drawers/no-runner',
  check(context) {
    const { fitted, resolved, show } = context;
    const { drawers } = resolved.settings;
    return fitted.runners
      .filter(({ plan }) => plan === undefined)
      .map(({ name, front, against, across, depth }): FindingDraft => {
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
            ...(drawers.choice.value === 'none'
              ? []
              : [setChoice(context, 'Leave the runner to the rules', 'drawers/choice', 'none')]),
            ...(drawers.length.mm > 0
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
const nothingCarries: FindingRule = {
  id: 'drawers/nothing-carries',
  check(context) {
    const { fitted } = context;
    return fitted.runners
      .filter(({ carried, plan }) => plan && !carried)
      .map(({ name, front, runner }) => ({ name, front, wooden: runner === undefined }))
      .map(({ name, front, wooden }) => ({
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
              setChoice(context, 'Put web frames between the fronts', 'dividers/betweenFronts', 'web'),
              setChoice(context, 'Take side-mounted runners', 'drawers/family', 'side'),
            ]
          : [setChoice(context, 'Put partitions in', 'dividers/partitions', 'partition')],
      }));
  },
};

/** The lowest box that is of use (mm). */
const LEAST_BOX = 40;
const LEAST_WIDE = 60;
const LEAST_LONG = 120;

/** An opening that leaves no box. */
const boxTooSmall: FindingRule = {
  id: 'drawers/box-too-small',
  check: (context) =>
    context.fitted.runners.flatMap(({ name, front, plan }): FindingDraft[] => {
      if (!plan) return [];
      const small = [
        { dim: plan.height, least: LEAST_BOX },
        { dim: plan.inside, least: LEAST_WIDE },
        { dim: plan.length, least: LEAST_LONG },
      ].filter(({ dim, least }) => dim.mm < least);
      const [worst] = small;
      if (!worst) return [];
      const { show } = context;
      return [
        {
          severity: 'stop',
          what: `The box of ${within(name)} comes out at ${show(plan.inside.mm)} wide inside, ${show(plan.length.mm)} long and ${show(plan.height.mm)} high.`,
          why: `Under ${show(worst.least)} there is nothing left to use or to join. Make the opening larger, or leave it without a box.`,
          numbers: [worst.dim],
          parts: [front],
          settings: [settingPath(context, 'drawers/fitted')],
          fixes: [setChoice(context, 'Leave the room behind it empty', 'drawers/fitted', 'none')],
        },
      ];
    }),
};

/** More may go in than the runners carry. */
const overloaded: FindingRule = {
  id: 'drawers/overloaded',
  check: (context) =>
    context.fitted.runners.flatMap(({ name, front, runner }): FindingDraft[] =>
      runner && runner.contents.mm > runner.load.mm
        ? [
            {
              severity: 'warn',
              what: `${name} may hold ${Math.round(runner.contents.mm)} kg; its runners carry ${runner.load.mm} kg.`,
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

function strongEnough(head: JobHead, context: RuleContext, runner: NonNullable<FittedDrawer['runner']>): Act[] {
  return head.hardware.runners
    .filter(({ load, family }) => load >= runner.contents.mm && family !== 'under')
    .slice(0, 1)
    .map(({ id, name }) => setChoice(context, `Take the ${name}`, 'drawers/choice', id));
}

/** Bottoms are this thick at least, up to these widths inside (mm). */
const BOTTOMS = [
  { upTo: 600, least: 5 },
  { upTo: 900, least: 8.5 },
  { upTo: Number.POSITIVE_INFINITY, least: 11 },
] as const;

/** A bottom that sags under what lies in it. */
const bottomTooThin: FindingRule = {
  id: 'drawers/bottom-too-thin',
  check(context) {
    const { fitted, parts, resolved, show, head } = context;
    const found = fitted.runners.flatMap(({ name, opening, plan, parts: own }) => {
      const bottom = parts.find(({ key }) => key === `drawer/${opening}/box/bottom`);
      if (!plan || !bottom) return [];
      const stiffeners = own.filter((key) => key.includes('/stiffener/')).length;
      const span = plan.inside.mm / (stiffeners + 1);
      const least = BOTTOMS.find(({ upTo }) => span <= upTo)?.least ?? 0;
      return bottom.thickness.mm < least ? [{ name, bottom, plan, least }] : [];
    });
    const [widest] = [...found].sort((a, b) => b.plan.inside.mm - a.plan.inside.mm);
    if (!widest) return [];
    const { least, bottom } = widest;
    const { thickness, material } = bottom;
    const wide = widest.plan.inside.mm > resolved.settings.drawers.wideOver.mm && !widest.plan.stiffened;
    const path = settingPath(context, wide ? 'materials/drawerBottomWide' : 'materials/drawerBottom');
    return [
      {
        severity: 'warn',
        what: `The bottom of ${within(widest.name)} is ${show(widest.plan.inside.mm)} wide and ${show(thickness.mm)} thick.`,
        why: 'So wide a bottom sags in the middle. Take thicker stock, or divide the drawer.',
        numbers: [widest.plan.inside, thickness],
        parts: found.map((each) => each.bottom.key),
        settings: [path],
        fixes: head.materials
          .filter(
            ({ nominal, id, form }) => form === 'sheet' && nominal >= least && nominal <= 13 && id !== material.id,
          )
          .slice(0, 1)
          .map(({ id, name }) => ({ label: `Take ${name}`, edits: [{ path, value: id }] })),
      },
    ];
  },
};

/** A face that nothing fixes to its box. */
const faceNotFixed: FindingRule = {
  id: 'drawers/face-not-fixed',
  check(context) {
    const { fitted, parts } = context;
    const loose = fitted.runners.filter(({ front, plan, inner }) => {
      if (!plan || inner) return false;
      return !parts.some(({ machining }) => machining.some(({ by, holds }) => by.what === 'face' && holds === front));
    });
    if (loose.length === 0) return [];
    return [
      {
        severity: 'stop',
        what: `Nothing fixes the face of ${loose.map(({ name }) => within(name)).join(', ')} to its box.`,
        why: 'No member of the framed face laps the inside of the box far enough for a screw. Make the stiles wider, or such fronts as slabs.',
        parts: loose.map(({ front }) => front),
        settings: [settingPath(context, 'making/stile')],
        fixes: [setChoice(context, 'Make the fronts as slabs', 'making/kind', 'slab')],
      },
    ];
  },
};

/** Dovetails in sheet stock, whose outer plies break out. */
const dovetailsInSheet: FindingRule = {
  id: 'drawers/dovetails-in-sheet',
  check(context) {
    const { fitted, resolved, parts } = context;
    const { corner } = resolved.settings.drawers;
    const { material } = resolved.materials.drawerBox;
    const tailed = corner.value === 'halfblind' || corner.value === 'through';
    if (!tailed || material.form === 'solid' || !fitted.runners.some(({ plan }) => plan)) return [];
    const [first] = parts.filter(({ role }) => role === 'drawer box');
    return [
      {
        severity: 'note',
        what: `Drawer boxes are dovetailed in ${material.name}.`,
        why: 'The outer plies break out at the tails. Score the shoulders, or make the boxes of solid wood.',
        parts: first ? [first.key] : [],
        settings: [settingPath(context, 'drawers/corner'), settingPath(context, 'materials/drawerBox')],
        fixes: [setChoice(context, 'Let the corners into rabbets instead', 'drawers/corner', 'rabbet')],
      },
    ];
  },
};

/** A box front of which half-blind tails would leave more than is wanted of it. */
const lapTooThick: FindingRule = {
  id: 'drawers/lap-too-thick',
  check(context) {
    const { fitted, resolved, show } = context;
    const { corner, lap } = resolved.settings.drawers;
    const front = resolved.materials.drawerBox.thickness;
    const left = lapOf(front, resolved.settings);
    if (corner.value !== 'halfblind' || lap.mm <= left.mm || !fitted.runners.some(({ plan }) => plan)) return [];
    return [
      {
        severity: 'warn',
        what: `${show(lap.mm)} were to be left before half-blind tails in a front ${show(front.mm)} thick; ${show(left.mm)} are.`,
        why: 'The tails would be too short to hold. Leave less, or take thicker stock.',
        numbers: [lap, front],
        parts: [],
        settings: [settingPath(context, 'drawers/lap')],
        fixes: [
          { label: 'Leave a quarter of the front', edits: [{ path: settingPath(context, 'drawers/lap'), value: 0 }] },
        ],
      },
    ];
  },
};

/** Rear brackets with nothing in their reach. */
const bracketMeetsNothing: FindingRule = {
  id: 'drawers/bracket-meets-nothing',
  check(context) {
    const { parts, fitted } = context;
    const loose = fitted.runners.filter(({ brackets, front }) => {
      if (!brackets) return false;
      const held = parts.filter(
        ({ role, machining }) =>
          role !== 'frame' &&
          machining.some(({ by }) => by.kind === 'runners' && by.what === 'case' && by.front === front),
      );
      return held.length === 0;
    });
    if (loose.length === 0) return [];
    return [
      {
        severity: 'stop',
        what: `Nothing is in reach of the rear brackets of ${loose.map(({ name }) => within(name)).join(', ')}.`,
        why: 'At the height of the runner neither back nor nailer stands where its bracket ends. Pack the runners out.',
        parts: loose.map(({ front }) => front),
        settings: [settingPath(context, 'drawers/behindFrame')],
        fixes: [setChoice(context, 'Pack the runners out', 'drawers/behindFrame', 'packing')],
      },
    ];
  },
};

/** A back thinner than this holds no bracket (mm). */
const HOLDS_BRACKET = 9;

/** Rear brackets of runners screwed into a thin back. */
const bracketInThinBack: FindingRule = {
  id: 'drawers/bracket-in-thin-back',
  check(context) {
    const { parts, show, fitted } = context;
    const thin = parts.find(
      ({ role, thickness, machining }) =>
        role === 'back' &&
        thickness.mm < HOLDS_BRACKET &&
        machining.some(({ by }) => by.kind === 'runners' && by.what === 'case'),
    );
    if (!thin || fitted.runners.length === 0) return [];
    return [
      {
        severity: 'warn',
        what: `Rear brackets of runners are screwed into a back ${show(thin.thickness.mm)} thick.`,
        why: 'Their screws find no hold there and pull out under load. Pack the runners out, or take a thicker back.',
        numbers: [thin.thickness],
        parts: [thin.key],
        settings: [settingPath(context, 'drawers/behindFrame'), settingPath(context, 'materials/back')],
        fixes: [setChoice(context, 'Pack the runners out', 'drawers/behindFrame', 'packing')],
      },
    ];
  },
};

export const runnerRules: readonly FindingRule[] = [
  ...innerRules,
  nothingBehind,
  noRunner,
  nothingCarries,
  boxTooSmall,
  overloaded,
  bottomTooThin,
  faceNotFixed,
  dovetailsInSheet,
  lapTooThick,
  bracketMeetsNothing,
  bracketInThinBack,
];
