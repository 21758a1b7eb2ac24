import type { Kind } from '../../cabinet/index.js';
import { formatMm } from '../../ground/index.js';
import { partKeys } from '../../part/index.js';
import { byPart } from '../byPart.js';
import { hinges } from '../hinges/index.js';
import { pins } from '../pins/index.js';
import { pulls } from '../pulls/index.js';
import { runnerCatalogue } from './catalogue.js';
import type { RunnerAfter } from './context.js';
import { type FittedDrawer, fitDrawers, slidesOf, together } from './drawers.js';
import { drawerFill, innerDrawerFill, trayFill } from './fills.js';
import { runnersFollow } from './follows.js';
import { type RunnerProfile, runnerProfileSchema } from './profile.js';
import { runnerRules } from './rules.js';
import { runnersOf } from './runner.js';
import { type RunnerSettings, runnerSettings } from './settings.js';
import { runnerStrips } from './strips.js';

const FAMILY = { side: 'side mounted', corner: 'bottom corner', under: 'hidden', tall: 'tall pull-out' } as const;

/** Drawer boxes and what they run on. */
export const runners: Kind<'runners', RunnerSettings, RunnerProfile, readonly FittedDrawer[], RunnerAfter> = {
  id: 'runners',
  label: 'Drawer runners',
  // The holes of a pull go through the box as well.
  after: [pulls, hinges, pins],
  settings: runnerSettings,
  slice: { fills: [drawerFill, innerDrawerFill, trayFill] },
  library: {
    schema: runnerProfileSchema,
    catalogue: runnerCatalogue,
    since: 9,
    younger: { 'dunmore-tower-60': 12, 'pell-tower-100': 12 },
    one: 'runner',
    columns: [
      {
        title: 'Lengths',
        numeric: true,
        show: ({ lengths }) => `${formatMm(lengths[0] ?? 0)} to ${formatMm(lengths.at(-1) ?? 0)}`,
      },
      { title: 'Carries', numeric: true, show: ({ load }) => `${load} kg` },
      {
        title: 'Above, below',
        numeric: true,
        show: ({ clearAbove, clearBelow }) => `${formatMm(clearAbove)}, ${formatMm(clearBelow)}`,
      },
      {
        title: 'Setback, behind',
        numeric: true,
        show: ({ setback, rearClearance }) => `${formatMm(setback)}, ${formatMm(rearClearance)}`,
      },
    ],
    sort: ({ family }) => FAMILY[family],
  },
  // Drawers that run wood on wood run on web frames; the front of a tall pull-out has its grain upright.
  follows: runnersFollow,
  strips: runnerStrips,
  fit(context, profiles) {
    const made = fitDrawers(context, profiles);
    return {
      fitted: made.map(({ fitted }) => fitted),
      parts: made.flatMap(({ parts }) => parts),
      operations: byPart(made.flatMap(({ operations }) => operations)),
      screwLines: byPart(made.flatMap(({ screwLines }) => screwLines)),
      buy: together(made.flatMap(({ buy }) => buy)),
      motions: slidesOf(made.map(({ fitted }) => fitted)),
    };
  },
  rules: runnerRules,
  trials: ({ family, lengths, leastHeight, setback, rearClearance }) => [
    {
      width: 300,
      height: Math.max(180, leastHeight + 120),
      // The shortest length is enough to prove it.
      depth: Math.max(160, (lengths[0] ?? 300) + setback + rearClearance + 20),
      settings: { drawers: { family, fitted: 'boxes', closing: 'any', choice: 'none', length: 0 } },
      fills: [{ kind: 'drawer' }],
    },
  ],
  uses: (fitted, profile) => fitted.some(({ runner }) => runner?.profile.id === profile),
  bodies: (fitted) =>
    fitted.flatMap(runnersOf).map(({ extent, key, drawer }) => ({
      extent,
      shows: key,
      on: partKeys.ofBox.of({ opening: drawer.opening, what: 'left' }),
    })),
  present: (fitted, size) =>
    fitted.map(
      ({
        opening,
        front,
        inner,
        contents,
        raised,
        spacers,
        across,
        packing,
        depth,
        rearBy,
        runner,
        against,
        plan,
        carried,
      }) => ({
        opening,
        front,
        ...(inner ? { inner } : {}),
        ...(contents ? { contents } : {}),
        ...(raised ? { raised: size(raised) } : {}),
        across: size(across),
        ...(spacers
          ? {
              spacers: Object.fromEntries(
                Object.entries(spacers).map(([hand, { encroachment, from, thickness, layers, underside }]) => [
                  hand,
                  {
                    encroachment: size(encroachment),
                    from,
                    thickness: size(thickness),
                    layers: layers.map((layer) => ({ material: layer.material.id, thickness: size(layer.thickness) })),
                    ...(underside ? { underside: size(underside) } : {}),
                  },
                ]),
              ),
            }
          : {}),
        packing: { left: size(packing.left), right: size(packing.right) },
        depth: size(depth),
        rearBy,
        ...(runner
          ? {
              runner: {
                profile: runner.profile.id,
                length: size(runner.length),
                contents: size(runner.contents),
                load: size(runner.load),
              },
            }
          : {}),
        against: against.map(({ profile, length, why }) => ({ profile, ...(length ? { length } : {}), why })),
        ...(plan
          ? {
              box: {
                outside: size(plan.outside),
                inside: size(plan.inside),
                length: size(plan.length),
                height: size(plan.height),
                above: size(plan.above),
                free: size(plan.free),
                recess: size(plan.recess),
              },
            }
          : {}),
        carried,
      }),
    ),
};

export type { FittedDrawer } from './drawers.js';
export { together } from './drawers.js';
export { type DrawerContents, drawerFill } from './fills.js';
export { roomsBehind } from './inner.js';
export { packingStrip } from './onCase.js';
export type { RunnerProfile } from './profile.js';
export { mayRise } from './raise.js';
export { type DrawerRoom, LEAST_PACKING, rearOf, roomOf } from './room.js';
export { type Runner, runnerAt, runnersOf } from './runner.js';
export { FROM_SPACER_END, spacerParts } from './spacers.js';
export { heightsByContents, heightsBySides, sideStep } from './stacks.js';
export { makeTrays, type StandingTray } from './standing.js';
