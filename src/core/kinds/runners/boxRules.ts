import type { FindingDraft } from '../../cabinet/index.js';
import { setChoice, settingPath } from '../../decisions/index.js';
import { within } from '../../ground/index.js';
import { partKeys } from '../../part/index.js';
import { lapOf } from './corners/index.js';
import type { RunnerRule } from './rule.js';

/** The lowest box that is of use (mm). */
const LEAST_BOX = 40;
const LEAST_WIDE = 60;
const LEAST_LONG = 120;

/** An opening that leaves no box. */
const boxTooSmall: RunnerRule = {
  id: 'drawers/box-too-small',
  check: (context) =>
    context.fitted.runners.flatMap(({ name, front, plan }): FindingDraft[] => {
      if (!plan) return [];
      const small = [
        { dim: plan.height, least: LEAST_BOX },
        { dim: plan.inside, least: LEAST_WIDE },
        { dim: plan.length, least: LEAST_LONG },
      ].filter(({ dim, least }) => dim.value < least);
      const [worst] = small;
      if (!worst) return [];
      const { show } = context;
      return [
        {
          severity: 'stop',
          what: `The box of ${within(name)} comes out at ${show(plan.inside.value)} wide inside, ${show(plan.length.value)} long and ${show(plan.height.value)} high.`,
          why: `Under ${show(worst.least)} there is nothing left to use or to join. Make the opening larger, or leave it without a box.`,
          numbers: [worst.dim],
          parts: [front],
          settings: [settingPath(context, 'drawers/fitted')],
          fixes: [setChoice(context, 'Leave the room behind it empty', 'drawers/fitted', 'none')],
        },
      ];
    }),
};

/** Bottoms are this thick at least, up to these widths inside (mm). */
const bottomFor = (span: number, wideOver: number): number =>
  span <= wideOver ? 5 : span <= (wideOver * 3) / 2 ? 8.5 : 11;

/** A bottom that sags under what lies in it. */
const bottomTooThin: RunnerRule = {
  id: 'drawers/bottom-too-thin',
  check(context) {
    const { fitted, parts, resolved, show, head } = context;
    const found = fitted.runners.flatMap(({ name, opening, plan, parts: own }) => {
      const bottom = parts.find(({ key }) => key === partKeys.ofBox.of({ opening, what: 'bottom' }));
      if (!plan || !bottom) return [];
      const stiffeners = own.filter((key) => key.includes('/stiffener/')).length;
      const span = plan.inside.value / (stiffeners + 1);
      const least = bottomFor(span, resolved.settings.drawers.wideOver.value);
      return bottom.thickness.value < least ? [{ name, bottom, plan, least }] : [];
    });
    const [widest] = [...found].sort((a, b) => b.plan.inside.value - a.plan.inside.value);
    if (!widest) return [];
    const { least, bottom } = widest;
    const { thickness, material } = bottom;
    const wide = widest.plan.inside.value > resolved.settings.drawers.wideOver.value && !widest.plan.stiffened;
    const path = settingPath(context, wide ? 'materials/drawerBottomWide' : 'materials/drawerBottom');
    return [
      {
        severity: 'warn',
        what: `The bottom of ${within(widest.name)} is ${show(widest.plan.inside.value)} wide and ${show(thickness.value)} thick.`,
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
const faceNotFixed: RunnerRule = {
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
const dovetailsInSheet: RunnerRule = {
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
const lapTooThick: RunnerRule = {
  id: 'drawers/lap-too-thick',
  check(context) {
    const { fitted, resolved, show } = context;
    const { corner, lap } = resolved.settings.drawers;
    const front = resolved.materials.drawerBox.thickness;
    const left = lapOf(front, resolved.settings);
    if (corner.value !== 'halfblind' || lap.value <= left.value || !fitted.runners.some(({ plan }) => plan)) return [];
    return [
      {
        severity: 'warn',
        what: `${show(lap.value)} were to be left before half-blind tails in a front ${show(front.value)} thick; ${show(left.value)} are.`,
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

/** What can stand against the box itself: its size, its bottom, its face, its corners. */
export const boxRules: readonly RunnerRule[] = [
  boxTooSmall,
  bottomTooThin,
  faceNotFixed,
  dovetailsInSheet,
  lapTooThick,
];
