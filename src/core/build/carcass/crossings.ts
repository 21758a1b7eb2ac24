import type { CabinetKind, Resolved, ResolvedSettings } from '../../decisions/index.js';
import { type Dim, decidedHere, length, type Span, spanBetween, spanFrom } from '../../ground/index.js';
import type { Operation } from '../../part/index.js';
import type { BuildContext, Crossing } from '../builder/index.js';
import type { Box } from '../layout/index.js';

/** Where a nailer lies. */
export interface NailerPlace extends Crossing {
  readonly at: 'high' | 'middle' | 'low';
}

type Where = Pick<BuildContext, 'cabinet' | 'box' | 'resolved'>;

/** Behind a grooved back nailers are out of the way; in front of any other they take room from the clear depth. */
function nailersBehind({ settings }: Resolved): boolean {
  return settings.back.kind.value === 'grooved';
}

/**
 * Nailers: a wall cabinet one high and one low, a base cabinet one high, a tall one a third in the middle. They stand
 * behind a grooved back, in front of any other. An upright rear stretcher with no hollow behind it serves as the high
 * one; a box that hangs by hangers leaves their corners free; one too low for two has the high one.
 */
export function nailerPlaces({ cabinet, box, resolved }: Where): NailerPlace[] {
  const { settings, materials } = resolved;
  const { nailer, back, top } = settings;
  if (back.kind.value === 'structural' || !wantsNailers(cabinet.kind, settings)) return [];
  const { thickness } = materials.nailer;
  const behind = nailersBehind(resolved);
  const y = spanFrom(behind ? box.sideDepth.minus(box.grooveOffset) : box.clearDepth.minus(thickness), thickness);
  // In front of the back a nailer has to stay under stretchers and frames as well.
  const highest = top.kind.value === 'full' || !behind ? box.topUnderside : box.topLevel;
  const low = behind && back.bottomEdge.value === 'past' ? box.floor : box.bottomTop;
  const place = (at: NailerPlace['at'], z: Dim): NailerPlace => ({
    at,
    key: `nailer/${at}`,
    y,
    z: spanFrom(z, nailer.width),
    divided: !behind && nailer.runs.value === 'divided',
  });
  const high = place('high', highest.minus(nailer.width).as('lower edge of the nailer'));
  const served = (top.kind.value === 'uprightRear' && !behind) || hungFree(cabinet.kind, settings);
  const places = [
    ...(served ? [] : [high]),
    ...(cabinet.kind === 'tall'
      ? [place('middle', low.plus(highest).minus(nailer.width).over(2).as('lower edge of the middle nailer'))]
      : []),
    ...(cabinet.kind === 'base' ? [] : [place('low', low)]),
  ];
  // So many of that width were asked for: that they meet is found.
  if (decidedHere(nailer.rails) || decidedHere(nailer.width)) return places;
  return places.filter(({ z }, at) => places.slice(0, at).every((above) => !overlaps(above.z, z)));
}

/** By the standard, the corners hangers take stay free of nailers. */
function hungFree(kind: CabinetKind, { hangers, nailer }: ResolvedSettings): boolean {
  return kind === 'wall' && hangers.fitted.value === 'hangers' && !decidedHere(nailer.rails);
}

/** Whether a box has nailers at all: where only those are wanted that nothing does without, a box that hangs, or has no back. */
function wantsNailers(kind: CabinetKind, settings: ResolvedSettings): boolean {
  const { nailer, back } = settings;
  if (nailer.rails.value !== 'needed') return nailer.rails.value === 'standard';
  return back.kind.value === 'none' || (kind === 'wall' && settings.hangers.fitted.value !== 'hangers');
}

/** Where an upright stretcher stands: at the front over a sink, at the rear against the back. */
export function uprightStretcher({
  box,
  resolved,
}: Pick<BuildContext, 'box' | 'resolved'>): (Crossing & { where: 'front' | 'rear' }) | undefined {
  const { kind, stretcherWidth } = resolved.settings.top;
  if (kind.value !== 'uprightRear' && kind.value !== 'uprightFront') return undefined;
  const where = kind.value === 'uprightFront' ? 'front' : 'rear';
  const { thickness } = resolved.materials.top;
  const y = where === 'front' ? length(0) : box.clearDepth.minus(thickness).as('front of the upright stretcher');
  const z = box.topLevel.minus(stretcherWidth).as('lower edge of the upright stretcher');
  return {
    key: `stretcher/${where}`,
    where,
    y: spanFrom(y, thickness),
    z: { low: z, high: box.topLevel, size: stretcherWidth },
  };
}

/** Every rail that runs through within the clear depth. */
export function crossingsOf(context: Where): Crossing[] {
  const { resolved } = context;
  const stretcher = uprightStretcher(context);
  const nailers = nailersBehind(resolved) ? [] : nailerPlaces(context);
  return [...nailers, ...(stretcher ? [stretcher] : [])];
}

/** Play between a rail and what is notched round it (mm). */
const PLAY = length(1, 'play round the rail');

function overlaps(a: Span, b: Span): boolean {
  return a.low.value < b.high.value - 1e-6 && b.low.value < a.high.value - 1e-6;
}

/** How far back something may reach that lies between two heights: the clear depth, or the face of a rail there. */
export function clearDepthAt(box: Box, crossings: readonly Crossing[], z: Span): Dim {
  const rails = crossings.filter((rail) => overlaps(rail.z, z) && rail.y.high.value >= box.clearDepth.value - 1e-6);
  const [first] = [...rails].sort((a, b) => a.y.low.value - b.y.low.value);
  return first ? first.y.low.as('clear depth at the nailer') : box.clearDepth;
}

/** How much an upright's end lacks at the front and at the rear because it is notched there. */
export interface EndLacks {
  readonly front?: Dim;
  readonly rear?: Dim;
}

/** What is cut out of an upright panel for the rails that run through it, and what its two ends lack by it. */
export interface Notched {
  readonly machining: readonly Operation[];
  readonly lower: EndLacks;
  readonly upper: EndLacks;
}

/**
 * Notches of an upright that stands from `y.low` to `y.high`: as deep as the rail reaches into it, from its end to 1 past
 * the rail's far edge; away from its ends a cut-out with 1 above and below.
 */
export function notchedRound(
  crossings: readonly Crossing[],
  { y, z }: { readonly y: Span; readonly z: Span },
): Notched {
  const machining: Operation[] = [];
  const ends: { lower: EndLacks; upper: EndLacks } = { lower: {}, upper: {} };
  for (const rail of crossings) {
    if (rail.divided || !overlaps(rail.z, z) || !overlaps(rail.y, y)) continue;
    const atRear = rail.y.high.value >= y.high.value - 1e-6;
    const deep = (atRear ? spanBetween(rail.y.low, y.high) : spanBetween(y.low, rail.y.high)).size.as('notch depth');
    const low = rail.z.low.minus(PLAY);
    const high = rail.z.high.plus(PLAY);
    const edge = atRear ? 'v1' : 'v0';
    const why = { reason: 'the rail runs through', by: { kind: 'crossing' }, holds: rail.key } as const;
    const lower = low.value <= z.low.value + PLAY.value;
    const upper = high.value >= z.high.value - PLAY.value;
    if (lower || upper) {
      machining.push({
        kind: 'notch',
        corner: [lower ? 'u0' : 'u1', edge],
        alongLength: (lower ? (upper ? z.size : high.minus(z.low)) : z.high.minus(low)).as('notch height'),
        alongWidth: deep,
        ...why,
      });
      const lacks = { [atRear ? 'rear' : 'front']: deep };
      if (lower) ends.lower = { ...ends.lower, ...lacks };
      if (upper) ends.upper = { ...ends.upper, ...lacks };
    } else
      machining.push({
        kind: 'cut-out',
        shape: 'rectangle',
        u: { edge: 'u0', offset: low.minus(z.low).as('cut-out from the lower end') },
        v: { edge, offset: length(0, 'at the edge') },
        alongLength: high.minus(low).as('cut-out height'),
        alongWidth: deep,
        ...why,
      });
  }
  return { machining, ...ends };
}
