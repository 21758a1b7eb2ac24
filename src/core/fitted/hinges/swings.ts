import { type FindingDraft, type FindingRule, keysOf, type RuleContext, settingPath } from '../../findings/index.js';
import { frontName } from '../../fronts/index.js';
import { capital } from '../../words.js';
import type { HungDoor } from './hang.js';

/** A door that cannot be opened this far is no door (degrees). */
const LEAST_OPENING = 85;

/** What a door or its pull touches before the hinge stops it: a wall, a pull beside it. */
function swingFinding(context: RuleContext, door: HungDoor, tight: boolean): FindingDraft[] {
  const contact = context.contacts.get(door.front.key);
  if (!contact || contact.free < LEAST_OPENING !== tight) return [];
  const path = settingPath(context, 'hinges/stopAt');
  const what = `${contact.by !== 'front' ? `The pull of ${frontName(door.front)}` : capital(frontName(door.front))} meets ${contact.obstacle.name} at ${contact.free} degrees`;
  return [
    tight
      ? {
          severity: 'stop',
          what: `${what}: it does not open.`,
          why: 'A door should open square at least. Move it away with a filler or a wider stile, hang it on the other side, or take a flatter pull.',
          parts: keysOf(door.front),
        }
      : {
          severity: 'warn',
          what: `${what}; its hinges go on to ${door.stopAngle}.`,
          why: 'It strikes every time it is thrown open. Fit an opening limiter, or a hinge that stops sooner.',
          parts: keysOf(door.front),
          settings: [path],
          fixes:
            contact.free >= 60
              ? [{ label: `Stop the doors at ${contact.free} degrees`, edits: [{ path, value: contact.free }] }]
              : [],
        },
  ];
}

const opensTooFar: FindingRule = {
  id: 'hinges/opens-too-far',
  check: (context) => context.fitted.hinges.flatMap((door) => swingFinding(context, door, false)),
};

/** A door that meets something before it is open. */
const swingMeets: FindingRule = {
  id: 'fronts/swing-meets',
  check: (context) => context.fitted.hinges.flatMap((door) => swingFinding(context, door, true)),
};

export const swingRules: readonly FindingRule[] = [opensTooFar, swingMeets];
