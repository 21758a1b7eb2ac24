import type { Fitting } from '../../build/index.js';
import {
  type Cabinet,
  countedIds,
  type JobHead,
  newCabinet,
  pathTo,
  type Standing,
  type StandingMeasure,
} from '../../decisions/index.js';
import { type Dim, length, plain, type Span, setting, spanBetween } from '../../ground/index.js';
import { makeTrays, type StandingTray, together } from '../../kinds/index.js';
import { letterParts, marked, type Part, type PartRow } from '../../part/index.js';
import { standardsOf } from '../document.js';
import type { ResolvedCabinet } from '../registry.js';
import { resolvedFor } from '../surroundings.js';

/** Trays for a standing cabinet: their parts, what to buy for them, and what to do in which order. */
export interface Converted {
  readonly standing: Standing;
  /** As lists know a cabinet. */
  readonly cabinet: Pick<Cabinet, 'id' | 'number' | 'name'>;
  readonly resolved: ResolvedCabinet;
  /** The uppermost first. */
  readonly trays: readonly StandingTray[];
  readonly parts: readonly Part[];
  readonly rows: readonly PartRow[];
  readonly fittings: readonly Fitting[];
  /** Spacer sticks from the floor measured from, the top tray's first: one pair is cut shorter and shorter. */
  readonly sticks: readonly Dim[];
  readonly steps: readonly string[];
  /** Why it cannot be made so, in plain sentences. */
  readonly problems: readonly string[];
}

/** A standing cabinet takes the standards of the job for base cabinets. */
function forStanding(head: JobHead): ResolvedCabinet {
  // A head may come with cabinets of its own.
  const job = { ...head, cabinets: [] };
  return resolvedFor(standardsOf(head), newCabinet(job, 'base', countedIds()));
}

/** Shares the height out equally, and makes a tray for each share: width = clear width − spacers − 2 · runner − play. */
export function convert(head: JobHead, standing: Standing, show: (mm: number) => string): Converted {
  const measured = (field: StandingMeasure, label: string): Dim =>
    setting(label, standing[field], {
      kind: 'measured',
      note: `in ${standing.name}`,
      path: pathTo.standingField(standing.id, field),
    });
  const resolved = forStanding(head);
  const width = measured('width', 'clear between the sides');
  const height = measured('height', 'height for the trays');
  const pitch = height.over(plain(standing.trays, 'trays')).as('height for each tray');
  const across: Span = { low: length(0, 'left side'), high: width, size: width };
  const rooms = Array.from({ length: standing.trays }, (_, at): { name: string; up: Span; id: string } => {
    // Number 1 is the uppermost.
    const below = standing.trays - 1 - at;
    const low = below === 0 ? length(0, 'floor of the lowest tray') : pitch.times(below).as('floor of the tray');
    return {
      id: `${standing.id}-${at + 1}`,
      name: standing.trays === 1 ? 'Tray' : `Tray ${at + 1}`,
      up: spanBetween(low, low.plus(pitch).as('above the tray')),
    };
  });
  const made = makeTrays(
    rooms.map((room) => ({ across, ...room, depth: measured('depth', 'depth in the cabinet') })),
    {
      left: measured('left', 'stands out at the left'),
      right: measured('right', 'stands out at the right'),
      runner: standing.runner,
      path: pathTo.standing(standing.id),
    },
    { head, resolved, show },
  );
  const parts = made.flatMap((tray) => tray.parts);
  const sticks = made.flatMap(({ underside }) => (underside ? [underside] : []));
  const problems = made
    .filter(({ chosen }) => chosen === undefined)
    .map(({ name, against }) => {
      const told = against.filter(({ unasked }) => !unasked).slice(0, 3);
      const why = told.map(({ name: runner, why: reason }) => `${runner}: ${reason}`).join('; ');
      return `No runner in the library carries ${name.toLowerCase()}. ${why}`.trim();
    });
  return {
    standing,
    cabinet: { id: standing.id, number: standing.number, name: standing.name },
    resolved,
    trays: made,
    parts,
    rows: marked(standing.number, letterParts(parts)),
    fittings: together(made.flatMap(({ buy }) => buy)),
    sticks,
    problems,
    steps: stepsFor(standing, made, sticks, show),
  };
}

/** What to do, in order, with the figures that belong to each step. */
function stepsFor(
  { width, depth, trays: count }: Standing,
  trays: readonly StandingTray[],
  sticks: readonly Dim[],
  show: (mm: number) => string,
): string[] {
  const [first] = trays;
  if (!first?.chosen || !first.plan) return [];
  const spaced = first.spacers.left !== undefined || first.spacers.right !== undefined;
  const holes = first.holes.map((at) => show(at.value)).join(', ');
  return [
    `Take the shelf out. Measure again at the front and at the rear, high and low: ${show(width)} wide at the narrowest and ${show(depth)} deep is what these figures stand on.`,
    `Cut the parts and band them. Each tray is ${show(first.plan.outside.value)} wide outside and ${show(first.plan.length.value)} long.`,
    `Make up ${count === 1 ? 'the tray' : `the ${count} trays`}, equal from corner to corner, and screw the runners to ${count === 1 ? 'its' : 'their'} sides.`,
    spaced
      ? `Cut one pair of spacer sticks to ${show(sticks[0]?.value ?? 0)}. Stand the uppermost spacers on them and fix each with two screws at the front and two at the rear${depth > 450 ? ' and one in the middle' : ''}.${
          sticks.length > 1
            ? ` Shorten the sticks to ${sticks
                .slice(1)
                .map(({ value: mm }) => show(mm))
                .join(', then ')} and go down.`
            : ''
        }`
      : `Mark the line of the runners on both sides: ${trays.flatMap(({ line }) => (line ? [show(line.value)] : [])).join(', ')} above the floor measured from.`,
    `Screw the runners on, ${show(first.setback.value)} behind the front edge, at ${holes} from it.`,
    'Hang the trays from the top down. Open the doors as far as they go and run each tray out and in: nothing may touch.',
  ];
}
