import type { Kind } from '../../cabinet/index.js';
import { type NamedProfile, pinSettings } from '../../decisions/index.js';
import { SAME_PLANE } from '../../part/index.js';
import { hinges } from '../hinges/index.js';
import { pinsApart } from './apart.js';
import type { PinAfter, PinSettings } from './context.js';
import { borePins, pinsToBuy, shelfHoles, withoutMeeting, withoutShared } from './pins.js';

/** Holes for shelf pins, in both uprights of every opening with adjustable shelves. */
export const pins: Kind<'pins', PinSettings, NamedProfile, null, PinAfter> = {
  id: 'pins',
  label: 'Shelf pins',
  // Where a plate hole falls on one of theirs it serves for both.
  after: [hinges],
  settings: pinSettings,
  fit({ bays, grid, box, resolved, parts }) {
    const bored = borePins(bays, grid, box, resolved);
    const operations = new Map(
      parts.flatMap((part) => {
        const own = bored.get(part.key);
        if (!own) return [];
        const heights = shelfHoles(bays, grid).map((z) => z - part.stands.z.low.value);
        const stands = (u: number) => heights.some((height) => Math.abs(height - u) < SAME_PLANE);
        const left = withoutMeeting(own, part.machining, part.thickness.value, stands);
        return [[part.key, withoutShared(left, part.machining)] as const];
      }),
    );
    return { fitted: null, operations, buy: pinsToBuy(bays) };
  },
  apart: pinsApart,
};
