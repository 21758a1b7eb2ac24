import * as z from 'zod/mini';
import type { Kind } from '../../cabinet/index.js';
import { roundForExport } from '../../ground/index.js';
import type { Operation } from '../../part/index.js';
import { pulls } from '../pulls/index.js';
import { hingeApart } from './apart.js';
import { hingeCatalogue } from './catalogue.js';
import type { HingeAfter } from './context.js';
import { decidedHeights } from './decided.js';
import { families, familyOf } from './families/index.js';
import { hingeHandles } from './handles.js';
import { hangDoors, hingesToBuy, turnOf } from './hang.js';
import { onDoors } from './heights.js';
import type { HungDoor } from './hung.js';
import { hingeKey } from './keys.js';
import { hingeNeighbourRules } from './neighbours.js';
import { hingePieces } from './pieces.js';
import type { HINGE_FITS, HingeProfile } from './profile.js';
import { hingeRules } from './rules.js';
import { type HingeSettings, hingeSettings } from './settings.js';
import { swingRules } from './swings.js';

const FITS = { full: 'full overlay', half: 'half overlay', inset: 'inset', lipped: 'lipped' } as const satisfies Record<
  (typeof HINGE_FITS)[number],
  string
>;

type FamilySchema = z.ZodMiniObject & z.ZodMiniType<HingeProfile>;
export const hingeProfileSchema = z.discriminatedUnion(
  'family',
  families.map(({ schema }) => schema) as unknown as [FamilySchema, ...FamilySchema[]],
) as unknown as z.ZodMiniType<HingeProfile>;

/** Where a hinge may hang a door: on a side, on a partition beside another front, on a frame. */
const TRIED = (['frameless', 'faceFrame'] as const).flatMap((school) =>
  (['overlay', 'inset', 'lipped'] as const).flatMap((fit) => [false, true].map((beside) => ({ school, fit, beside }))),
);

/** Hinges of every family: chosen from the library, placed, bored, swung. */
export const hinges: Kind<'hinges', HingeSettings, HingeProfile, readonly HungDoor[], HingeAfter> = {
  id: 'hinges',
  label: 'Hinges',
  // A door weighs what it does with its pull.
  after: [pulls],
  settings: hingeSettings,
  slice: { onFills: onDoors },
  library: {
    schema: hingeProfileSchema,
    catalogue: hingeCatalogue,
    since: 3,
    one: 'hinge',
    sort: (profile) => familyOf(profile).words.replace(/^a /, ''),
    columns: [
      {
        title: 'Doors',
        show: ({ fits, carcass }) => [
          fits.map((fit) => FITS[fit]).join(', '),
          carcass.map((kind) => (kind === 'frame' ? 'face frame' : 'frameless')).join(', '),
        ],
      },
      { title: 'Opens', numeric: true, show: ({ opening }) => `${opening}°` },
      { title: 'Figures', show: (profile) => familyOf(profile).figures(profile) },
    ],
  },
  fit(context, profiles) {
    const hangings = hangDoors(context, context.fitted.pulls, profiles);
    const fitted = hangings.map(({ door }) => door);
    const operations = new Map<string, Operation[]>();
    for (const { machining } of hangings)
      for (const [key, own] of machining) operations.set(key, [...(operations.get(key) ?? []), ...own]);
    return {
      fitted,
      operations,
      buy: hingesToBuy(fitted),
      motions: fitted.flatMap((door) => turnOf(door, context.box) ?? []),
      decidedHeights: decidedHeights(context, fitted),
    };
  },
  rules: [...hingeRules, ...swingRules],
  neighbourRules: hingeNeighbourRules,
  apart: hingeApart,
  pieces: (fitted, { box }) => fitted.flatMap((door) => hingePieces(door, box)),
  symbols: (fitted) =>
    fitted.flatMap((door) => {
      const { chosen, places, front } = door;
      if (!chosen) return [];
      return places.flatMap((place, at) =>
        familyOf(chosen.profile).symbols(chosen, door, place, hingeKey(front.key, at)),
      );
    }),
  handles: hingeHandles,
  trials: () =>
    TRIED.flatMap(({ school, fit, beside }) =>
      [2, 3, 1.5, 1].map((gap) => ({
        width: beside ? 560 : 320,
        height: 400,
        depth: 280,
        settings: {
          school,
          fronts: { fit, gap },
          // A frame that ends on the floor.
          frame: { lip: 25 },
          pulls: { doors: 'none' },
          hinges: { choice: 'auto', family: 'any', opening: 60, closing: 'any' },
        },
        fills: [...(beside ? [{ kind: 'false' as const }] : []), { kind: 'door' as const, hinged: 'left' as const }],
      })),
    ),
  uses: (fitted, profile) => fitted.some(({ chosen }) => chosen?.profile.id === profile),
  present: (fitted, size) =>
    fitted.map(({ front, chosen, wish, weight, places, stopAngle }) => {
      const choice =
        chosen?.kind === 'concealed'
          ? {
              profile: chosen.profile.id,
              plate: chosen.plate,
              cupOffset: chosen.offset,
              reached: roundForExport(chosen.reached),
              residual: roundForExport(chosen.residual),
            }
          : chosen
            ? { profile: chosen.profile.id, mortise: roundForExport(chosen.mortise) }
            : {};
      return {
        front: front.key,
        fit: wish.fit,
        wantedOverlay: size(wish.overlay),
        weight: size(weight),
        stopAngle,
        ...choice,
        places: places.map(({ onDoor, onCase, clear }) => ({ onDoor: size(onDoor), onCase: size(onCase), clear })),
      };
    }),
};

export { armsInto } from './arms.js';
export { hingeCatalogue } from './catalogue.js';
export { drawHingeCorner } from './corner.js';
export { familyOf } from './families/index.js';
export { findHinges, hangOn } from './finder.js';
export { consideredFor, solutionsOf, turnOf } from './hang.js';
export { hingesAtPath } from './heights.js';
export type { HingeWish, HungDoor } from './hung.js';
export { hingeKey, hingeOfKey } from './keys.js';
export { type ConcealedProfile, type HingeProfile, isConcealed, type LeafProfile } from './profile.js';
export { solveHinge } from './shapes/cups.js';
export { type ConcealedSolution, type HingeSolution, type LeafSolution, leastGap, overlayReached } from './solution.js';
export { bestSolution, hingeCount, overlayForReveal, solutionId, solutionsFor } from './solver.js';
export { type Considered, FIT_WORDS, gapForOverlay, narrow, withGap } from './wish.js';
