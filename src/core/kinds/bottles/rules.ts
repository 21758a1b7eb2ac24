import { settingPath } from '../../decisions/index.js';
import { within } from '../../ground/index.js';
import type { BottleRule } from './rule.js';

/** A room that holds no two by two cells. */
const tooSmall: BottleRule = {
  id: 'bottles/room-too-small',
  check: (context) =>
    context.fitted.bottles
      .filter(({ fits }) => !fits)
      .map(({ name, room, across, up, width, height, depth }) => {
        const { interiors, resolved, show } = context;
        const own = interiors.compartments.find(({ id }) => id === room);
        return {
          severity: 'stop',
          what: `${across} by ${up} cells go into ${within(name)}.`,
          why: `Boards that are slotted into each other want two by two at least, each ${show(resolved.settings.bottles.cell.value)}. Make the room larger, or the cells smaller.`,
          numbers: [width, height, depth],
          settings: [settingPath(context, 'bottles/cell')],
          fixes: own
            ? [{ label: 'Leave the room empty', edits: [{ path: own.path, value: { kind: 'nothing' } }] }]
            : [],
        };
      }),
};

/** A bottle is so long that it lies safely with this much of it (mm). */
const BOTTLE = 300;
const MOST_OUT = 80;

/** Bottles that stand out of their cells by more than they should. */
const tooShallow: BottleRule = {
  id: 'bottles/too-shallow',
  check: (context) =>
    context.fitted.bottles.flatMap(({ name, depth, fits }) =>
      fits && depth.value < BOTTLE - MOST_OUT
        ? [
            {
              severity: 'warn' as const,
              what: `The cells of ${within(name)} are ${context.show(depth.value)} deep.`,
              why: `A bottle is about ${context.show(BOTTLE)} long: it tips out, or the doors do not shut.`,
              numbers: [depth],
              settings: [settingPath(context, 'bottles/setback')],
            },
          ]
        : [],
    ),
};

export const bottleRules: readonly BottleRule[] = [tooSmall, tooShallow];
