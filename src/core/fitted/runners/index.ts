import { formatMm } from '../../units/index.js';
import { byPart } from '../byPart.js';
import type { Kind } from '../kind.js';
import { runnerCatalogue } from './catalogue.js';
import { type FittedDrawer, fitDrawers, together } from './drawers.js';
import { type RunnerProfile, runnerProfileSchema } from './profile.js';
import { runnerRules } from './rules.js';
import { runnersOf } from './runner.js';
import { runnerSettings } from './settings.js';

const FAMILY = { side: 'side mounted', corner: 'bottom corner', under: 'hidden', tall: 'tall pull-out' } as const;

/** Drawer boxes and what they run on. */
export const runners: Kind<'runners', (typeof runnerSettings)['settings'], RunnerProfile, readonly FittedDrawer[]> = {
  id: 'runners',
  label: 'Drawer runners',
  // The holes of a pull go through the box as well.
  after: ['pulls', 'hinges', 'pins'],
  settings: runnerSettings,
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
  fit(context, profiles) {
    const made = fitDrawers(context, profiles);
    return {
      fitted: made.map(({ fitted }) => fitted),
      parts: made.flatMap(({ parts }) => parts),
      operations: byPart(made.flatMap(({ operations }) => operations)),
      ways: byPart(made.flatMap(({ ways }) => ways)),
      buy: together(made.flatMap(({ buy }) => buy)),
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
    fitted
      .flatMap(runnersOf)
      .map(({ extent, key, drawer }) => ({ extent, shows: key, on: `drawer/${drawer.opening}/box/left` })),
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
export { together, travelOf } from './drawers.js';
export { mayRise } from './heights.js';
export type { RunnerProfile } from './profile.js';
export { type Runner, runnerAt, runnersOf } from './runner.js';
export { heightsByContents, heightsBySides, sideStep } from './stacks.js';
export { makeTrays, type StandingTray } from './standing.js';
