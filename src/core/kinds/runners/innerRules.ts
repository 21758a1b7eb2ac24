import type { FindingDraft } from '../../cabinet/index.js';
import { settingPath } from '../../decisions/index.js';
import { quantity, TOLERANCE_MM, within } from '../../ground/index.js';
import { partKeys } from '../../part/index.js';
import { type DrawerContents, drawerFill } from './fills.js';
import { leastTraySide } from './heights.js';
import type { RunnerRule } from './rule.js';
import { heightsByContents, roomOver } from './stacks.js';

/** What the maker of a hinge prints is less than what its geometry comes to. */
const tableBelowGeometry: RunnerRule = {
  id: 'drawers/table-below-geometry',
  check: ({ fitted, show }) =>
    fitted.runners.flatMap(({ name, spacers, front }) =>
      (['left', 'right'] as const).flatMap((hand): FindingDraft[] => {
        const spacer = spacers?.[hand];
        if (!spacer || spacer.from === 'geometry' || spacer.encroachment.value >= spacer.geometry.value - TOLERANCE_MM)
          return [];
        return [
          {
            severity: 'warn',
            what: `Beside ${within(name)} ${show(spacer.encroachment.value)} stand out at the ${hand} by ${spacer.from === 'table' ? 'the table of the hinge' : 'what was measured'}; door and hinge come to ${show(spacer.geometry.value)}.`,
            why: 'Open the door as far as it goes, measure from the side to what stands out furthest, and type that.',
            numbers: [spacer.encroachment, spacer.geometry],
            parts: [front],
          },
        ];
      }),
    ),
};

/** A tray whose sides are low for its width. */
const lowTray: RunnerRule = {
  id: 'drawers/low-tray',
  check(context) {
    const { fitted, show, resolved } = context;
    return fitted.runners.flatMap(({ name, inner, plan, across, front }): FindingDraft[] => {
      if (inner !== 'tray' || !plan) return [];
      const least = leastTraySide(across);
      if (plan.height.value >= least.value - TOLERANCE_MM) return [];
      return [
        {
          severity: 'warn',
          what: `The sides of ${within(name)} are ${show(plan.height.value)} high; so wide it wants ${show(least.value)}.`,
          why: 'Low sides let a wide tray twist on its runners. Leave their height to the rule, or give the tray more room.',
          numbers: [plan.height, least],
          parts: [front],
          settings: [settingPath({ resolved }, 'drawers/traySide')],
          fixes: [
            {
              label: 'Leave the height of the sides to the rule',
              edits: [{ path: settingPath({ resolved }, 'drawers/traySide'), value: 0 }],
            },
          ],
        },
      ];
    });
  },
};

/** Free above what stands on a tray (mm). */
const ABOVE_CONTENTS = 20;

/** What is to stand on a tray does not go under what is above it. */
const trayTooClose: RunnerRule = {
  id: 'drawers/tray-too-close',
  check(context) {
    const { fitted, resolved, show } = context;
    const { trayContents: usual } = resolved.settings.drawers;
    return fitted.runners.flatMap(({ name, inner, plan, front, contents, path }): FindingDraft[] => {
      if (inner !== 'tray' || !plan) return [];
      const own = contents?.height;
      const trayContents =
        own === undefined
          ? usual
          : quantity(own, 'mm', 'what stands on it', { kind: 'here', path: drawerFill.at(path, 'contents') });
      if (trayContents.value === 0) return [];
      const there = plan.free.plus(plan.height).minus(plan.recess).as('room over the bottom of the tray');
      const lacks = trayContents.value + ABOVE_CONTENTS - there.value;
      if (lacks <= TOLERANCE_MM) return [];
      return [
        {
          severity: 'warn',
          what: `Over ${within(name)} are ${show(there.value)}; what stands on it is ${show(trayContents.value)} high and wants ${show(ABOVE_CONTENTS)} more.`,
          why: `It lacks ${show(lacks)}. Set the trays further apart, or take one out.`,
          numbers: [there, trayContents],
          parts: [front],
          settings: [settingPath({ resolved }, 'drawers/trayContents')],
        },
      ];
    });
  },
};

/** What is to go into a drawer is higher than what is over its bottom. */
const contentsTooHigh: RunnerRule = {
  id: 'drawers/contents-too-high',
  check: (context) =>
    context.fitted.runners.flatMap((drawer): FindingDraft[] => {
      const { name, inner, plan, front, contents, path } = drawer;
      if (inner === 'tray' || !plan || contents?.height === undefined) return [];
      const { show, parts, face } = context;
      const bottom = parts.find(({ key }) => key === partKeys.ofBox.of({ opening: drawer.opening, what: 'bottom' }));
      const there = roomOver(plan, bottom?.thickness);
      const lacks = contents.height - there.value;
      if (lacks <= TOLERANCE_MM) return [];
      const shared = face.ok ? heightsByContents(face, context.fitted.runners, parts, drawer.opening) : undefined;
      return [
        {
          severity: 'warn',
          what: `What goes into ${within(name)} is ${show(contents.height)} high; over its bottom are ${show(there.value)}.`,
          why: `It lacks ${show(lacks)}. Make the opening higher, or put it elsewhere.`,
          numbers: [there],
          parts: [front],
          settings: [drawerFill.at(path, 'contents')],
          fixes: [
            ...(shared ? [shared] : []),
            {
              label: 'Let go of how high it is',
              edits: [{ path: drawerFill.at(path, 'contents'), value: without(contents) }],
            },
          ],
        },
      ];
    }),
};

/** What goes in without its height; undefined where nothing else is said of it. */
function without({ weight }: DrawerContents): DrawerContents | undefined {
  return weight === undefined ? undefined : { weight };
}

/** What can stand against inner drawers and trays. */
export const innerRules: readonly RunnerRule[] = [tableBelowGeometry, lowTray, trayTooClose, contentsTooHigh];
