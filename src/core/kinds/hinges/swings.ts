import { frontName, keysOf } from '../../build/index.js';
import type { FindingDraft } from '../../cabinet/index.js';
import { isFill, type ProposedAct, pathTo, setChoice, settingPath } from '../../decisions/index.js';
import { capital } from '../../ground/index.js';
import type { HungDoor } from './hung.js';
import type { HingeRule, HingeRuleContext } from './rule.js';

/** A door that cannot be opened this far is no door (degrees). */
const LEAST_OPENING = 85;
/** One that opens less is of no use (degrees). */
const LEAST_OF_USE = 60;

/** What a door or its pull touches before the hinge stops it: a wall, a pull beside it. */
function swingFinding(context: HingeRuleContext, door: HungDoor, tight: boolean): FindingDraft[] {
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
          settings: [settingPath(context, `ends/${door.hinged}`)],
          fixes: waysOpen(context, door, contact.free),
        }
      : {
          severity: 'warn',
          what: `${what}; its hinges go on to ${door.stopAngle}.`,
          why: 'It strikes every time it is thrown open. Fit an opening limiter, or a hinge that stops sooner.',
          parts: keysOf(door.front),
          settings: [path],
          fixes:
            contact.free >= LEAST_OF_USE
              ? [{ label: `Stop the doors at ${contact.free} degrees`, edits: [{ path, value: contact.free }] }]
              : [],
        },
  ];
}

/** A filler at the wall, the other hand, or no further than it goes. */
function waysOpen(context: HingeRuleContext, { hinged, front }: HungDoor, free: number): ProposedAct[] {
  const { resolved, face } = context;
  const { ends, frame } = resolved.settings;
  const atWall = resolved.given[hinged].what === 'wall' && frame.fitted.value === 'none';
  const cell = face.ok ? face.cells.find(({ opening }) => opening.id === front.openingId) : undefined;
  const other = hinged === 'left' ? 'right' : 'left';
  return [
    ...(atWall && ends.filler.value === 'none'
      ? [setChoice(context, 'Put a filler strip at the wall', 'ends/filler', 'strip')]
      : []),
    ...(cell && isFill(cell.fill, 'door')
      ? [
          {
            label: `Hang it on the ${other}`,
            edits: [{ path: pathTo.openingField(cell.path, 'fill'), value: { ...cell.fill, hinged: other } }],
          },
        ]
      : []),
    ...(free >= LEAST_OF_USE
      ? [
          {
            label: `Let it open ${free} degrees, no further`,
            edits: [{ path: settingPath(context, 'hinges/stopAt'), value: free }],
          },
        ]
      : []),
  ];
}

const opensTooFar: HingeRule = {
  id: 'hinges/opens-too-far',
  check: (context) => context.fitted.hinges.flatMap((door) => swingFinding(context, door, false)),
};

/** A door that meets something before it is open. */
const swingMeets: HingeRule = {
  id: 'fronts/swing-meets',
  check: (context) => context.fitted.hinges.flatMap((door) => swingFinding(context, door, true)),
};

export const swingRules: readonly HingeRule[] = [opensTooFar, swingMeets];
