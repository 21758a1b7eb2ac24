import { behindGroove, frontName, keysOf, sharesGap } from '../../build/index.js';
import type { FindingDraft } from '../../cabinet/index.js';
import { ownPathTo, type PathsOn, type ProposedAct, pathTo, setChoice, settingPath } from '../../decisions/index.js';
import { capital, type Dim } from '../../ground/index.js';
import { consideredFor, freeHeightsOf, solutionsOf } from './hang.js';
import { hingesAtPath } from './heights.js';
import type { HungDoor } from './hung.js';
import { type HingeProfile, hingeProfilesOf } from './profile.js';
import type { HingeRule, HingeRuleContext } from './rule.js';
import { leastGap } from './solution.js';
import { bestSolution, solutionId } from './solver.js';
import { FIT_WORDS, withGap } from './wish.js';

/** No profile of the library reaches the overlay, not even with its side adjuster. */
const notReachable: HingeRule = {
  id: 'hinges/not-reachable',
  check: (context) =>
    context.fitted.hinges.flatMap((door): FindingDraft[] => {
      const { wish, chosen } = door;
      if (chosen) return [];
      const considered = consideredFor(door, hingeProfilesOf(context.head));
      const left = considered.filter(({ against }) => against === undefined).length;
      const reasons = considered.filter(({ against }) => against !== undefined).length;
      return [
        {
          severity: 'stop',
          what: `No hinge in the library hangs ${frontName(door.front)}: ${FIT_WORDS[wish.fit]}, ${context.show(wish.overlay.value)} of overlay.`,
          why:
            left > 0
              ? `${left} would do for it but none comes within its adjuster. Change the reveal or the gap, or enter another hinge.`
              : `All ${reasons} in the library are ruled out; the list beside the door says by what. Ask for less, or enter another hinge.`,
          numbers: [wish.overlay, wish.gap],
          parts: keysOf(door.front),
          settings: [settingPath(context, 'hinges/opening')],
          fixes: waysToReach(context, door),
        },
      ];
    }),
};

/** A hinge that was decided and cannot be what hangs a door: another does, and that is said. */
const hingeNotFollowed: HingeRule = {
  id: 'hinges/choice-not-followed',
  check(context) {
    const { choice } = context.resolved.settings.hinges;
    if (choice.value === 'auto') return [];
    const known = hingeProfilesOf(context.head).some(
      ({ id }) => choice.value.startsWith(`${id}/`) || choice.value === id,
    );
    return context.fitted.hinges.flatMap((door): FindingDraft[] => {
      if (!door.chosen || solutionId(door.chosen) === choice.value) return [];
      return [
        {
          severity: 'warn',
          what: `The hinge decided for this cabinet does not hang ${frontName(door.front)}; ${door.chosen.profile.name} does.`,
          why: known
            ? 'It does not reach that overlay, or is ruled out by what was asked of it. Take what Alcove finds, or change the reveal.'
            : `The library has no hinge "${choice.value}" any more. Enter it again, or take what Alcove finds.`,
          parts: keysOf(door.front),
          settings: [settingPath(context, 'hinges/choice')],
          fixes: [setChoice(context, 'Take the hinge Alcove finds', 'hinges/choice', 'auto')],
        },
      ];
    });
  },
};

/** Changes of the wishes that would let something in, and the way out of figuring hinges here at all. */
function waysToReach(context: HingeRuleContext, { wish }: HungDoor): ProposedAct[] {
  const { head, resolved } = context;
  const set = (path: PathsOn<HingeRuleContext>, value: unknown) => ({ path: settingPath(context, path), value });
  const fitting = hingeProfilesOf(head).filter(
    (profile) => profile.carcass.includes(wish.carcass) && profile.fits.includes(wish.fit),
  );
  const widest = Math.max(0, ...fitting.map(({ opening }) => opening));
  const ways: ProposedAct[] = [];
  const flush = fitting.find((profile) => profile.family === 'noMortise');
  if (flush?.family === 'noMortise' && resolved.settings.hinges.family.value === 'noMortise')
    ways.push({
      label: `Make the gap ${context.show(flush.leaf.closed)}, as the hinge sets it`,
      edits: [set('fronts/gap', flush.leaf.closed)],
    });
  const narrowed = wish.closing !== 'any' || wish.family !== 'any' || widest < wish.opening;
  const relaxed = fitting.filter((profile) => profile.family !== 'noMortise');
  if (narrowed && relaxed.length > 0)
    ways.push({
      label: 'Take whatever fits',
      edits: [
        set('hinges/family', 'any'),
        set('hinges/closing', 'any'),
        set('hinges/opening', Math.min(wish.opening, widest)),
      ],
    });
  return [...ways, { label: 'Hang the doors otherwise', edits: [set('hinges/family', 'none')] }];
}

/** An edit that puts hinge number `at` of a door at a height on the case; the others stay as they are figured. */
export function moveHinge(context: HingeRuleContext, door: HungDoor, at: number, onCase: number): ProposedAct {
  const cell = context.face.ok
    ? context.face.cells.find((each) => each.opening.id === door.front.openingId)
    : undefined;
  const onDoor = onCase - door.front.v.low.value;
  const id = `h${at + 1}`;
  return {
    label: `Move hinge ${at + 1} to ${context.show(onDoor)} on the door`,
    edits: cell ? [{ path: pathTo.entry(hingesAtPath(cell), id), value: { id, mm: onDoor } }] : [],
  };
}

/** Nothing within reach of a hinge is clear of what stands behind it. */
const against: HingeRule = {
  id: 'hinges/against-shelf',
  check: (context) =>
    context.fitted.hinges.flatMap((door): FindingDraft[] => {
      const blocked = door.places.flatMap((place, at) => (place.clear ? [] : [{ place, at }]));
      const [first] = blocked;
      if (!first) return [];
      const others = door.places.filter((_, at) => at !== first.at).map(({ onCase }) => onCase.value);
      const [next] = freeHeightsOf(door, context)
        .filter((height) => others.every((other) => Math.abs(other - height) >= LEAST_APART))
        .sort((a, b) => Math.abs(a - first.place.onCase.value) - Math.abs(b - first.place.onCase.value));
      return [
        {
          severity: 'warn',
          what: `${blocked.length === 1 ? 'A hinge' : `${blocked.length} hinges`} of ${frontName(door.front)} stand${blocked.length === 1 ? 's' : ''} against a shelf, a stretcher or the end of the box at ${blocked.map(({ place }) => context.show(place.onCase.value)).join(', ')}, and ${blocked.length === 1 ? 'is' : 'are'} not bored.`,
          why: 'Moving it up to 60 does not clear it. Put it elsewhere, change the end distance, or move the shelf.',
          numbers: blocked.map(({ place }) => place.onCase),
          parts: keysOf(door.front),
          fixes: next === undefined ? [] : [moveHinge(context, door, first.at, next)],
        },
      ];
    }),
};

/** Two hinges of a door stand no nearer than this (mm). */
export const LEAST_APART = 80;

/** The door needs this much gap at its hinge edge to clear while it turns. */
const gapTooSmall: HingeRule = {
  id: 'hinges/gap-too-small',
  check: (context) =>
    context.fitted.hinges.flatMap((door): FindingDraft[] => {
      const { chosen, wish, hinged } = door;
      const { box, resolved, show } = context;
      if (chosen?.kind !== 'concealed' || wish.carcass === 'frame' || wish.fit === 'lipped') return [];
      const there = resolved.given[hinged].what === 'exposed' && wish.fit === 'full' ? undefined : wish.gap;
      const needed = leastGap(chosen.profile, box.frontThickness.value, chosen.offset);
      if (!there || there.value >= needed - 0.001) return [];
      // Beside another front it is the gap; at the end of the box a reveal, or half of the gap shared with the neighbour.
      const atEnd = wish.gap !== resolved.settings.fronts.gap;
      const shared = atEnd && sharesGap(hinged, resolved);
      const path = settingPath(context, atEnd && !shared ? `fronts/reveal/${hinged}` : 'fronts/gap');
      const value = gapThatTurns(door, hingeProfilesOf(context.head), box.frontThickness.value, needed);
      return [
        {
          severity: 'warn',
          what: `${capital(frontName(door.front))} has ${show(there.value)} at its hinge edge and needs ${show(needed)} to turn.`,
          why: `At ${show(box.frontThickness.value)} thick, with the cup ${show(chosen.offset)} from the edge, its edge swings past its own line and strikes what is beside it. Widen the reveal or take a thinner door.`,
          numbers: [there],
          parts: keysOf(door.front),
          settings: [path],
          fixes:
            value === undefined
              ? []
              : [
                  {
                    label: `Make it ${show(value)}`,
                    edits: [{ path, value: shared ? value * 2 : value }],
                  },
                ],
        },
      ];
    }),
};

/** Gaps are tried in steps of a tenth, this much beyond what is needed now (mm). */
const MOST_WIDENING = 6;

/** The smallest gap with which the hinge that is best for it turns: a wider gap is a smaller overlay, and another cup offset. */
function gapThatTurns(
  { wish }: HungDoor,
  library: readonly HingeProfile[],
  thickness: number,
  needed: number,
): number | undefined {
  const start = Math.ceil(needed * 10 - 1e-6);
  for (let tenths = start; tenths <= start + MOST_WIDENING * 10; tenths += 1) {
    const gap = tenths / 10;
    const best = bestSolution(solutionsOf(withGap(wish, gap), library), new Set());
    if (best?.kind === 'concealed' && leastGap(best.profile, thickness, best.offset) <= gap + 1e-6) return gap;
  }
  return undefined;
}

/** Between cup and panel groove, and between cup and face (mm). */
const CUP_MARGIN = 2;

/**
 * The cup must stay in the stile and leave a skin under it. Where the cup is deeper than the panel's groove lies from
 * the back it must end before the groove: K + diameter + 2 ≤ stile − groove; else it has the whole stile.
 */
const cupDoesNotFit: HingeRule = {
  id: 'hinges/cup-does-not-fit',
  check: ({ fitted: { hinges }, resolved, box, show }) =>
    hinges.flatMap((door): FindingDraft[] => {
      const { chosen, bored, front } = door;
      if (chosen?.kind !== 'concealed') return [];
      const { making, fronts } = resolved.settings;
      const { cup } = chosen.profile;
      const findings: FindingDraft[] = [];
      const panel = front.parts.find((part) => part.piece?.kind === 'panel');
      if (panel) {
        const behind = Math.max(0, behindGroove(resolved).value);
        const groove = cup.depth > behind ? making.groove.value : 0;
        const shoulder = fronts.fit.value === 'lipped' ? fronts.rebateWidth.value : 0;
        const needed = shoulder + chosen.offset + cup.diameter + CUP_MARGIN;
        const there = making.stile.value - groove;
        if (needed > there + 1e-6)
          findings.push({
            severity: 'warn',
            what: `The hinge cup needs ${show(needed)} of the stile and has ${show(there)}${groove > 0 ? " before the panel's groove" : ''}.`,
            why: 'It would break into the groove or out of the stile. Widen the stile, or take a smaller cup offset.',
            numbers: [making.stile, making.groove],
            parts: keysOf(door.front),
          });
      }
      // A strip of trim before the cup is wood as well.
      const trimmed = making.kind.value === 'trim' && making.stile.value >= chosen.offset + cup.diameter;
      const skin = (trimmed ? box.frontThickness.value : (bored?.thickness.value ?? 0)) - cup.depth;
      const least = resolved.settings.fasteners.skin.value;
      if (skin < least)
        findings.push({
          severity: 'stop',
          what: `Under the hinge cup only ${show(skin)} of the door is left.`,
          why: `At least ${show(least)} has to stay, or the bit comes through the face.`,
          parts: keysOf(door.front),
        });
      return findings;
    }),
};

/** A leaf wider than the edge it is let into. */
const leafTooWide: HingeRule = {
  id: 'hinges/leaf-too-wide',
  check: ({ fitted: { hinges }, resolved, show }) =>
    hinges.flatMap((door): FindingDraft[] => {
      const { chosen, bored } = door;
      if (chosen?.kind !== 'leaf' || chosen.profile.family === 'semi' || !bored) return [];
      const { width } = chosen.profile.leaf;
      if (width <= bored.thickness.value - resolved.settings.fasteners.skin.value) return [];
      return [
        {
          severity: 'warn',
          what: `The leaf of the hinge is ${show(width)} wide and the edge of ${frontName(door.front)} ${show(bored.thickness.value)}.`,
          why: 'Its mortise would come out at the back of the door. Take a narrower butt or a thicker door.',
          numbers: [bored.thickness],
          parts: keysOf(door.front),
        },
      ];
    }),
};

/** A door heavier or higher than the hinge's own tables go. */
const tooFew: HingeRule = {
  id: 'hinges/too-few',
  check: ({ fitted: { hinges }, show }) =>
    hinges.flatMap((door): FindingDraft[] => {
      if (!door.chosen) return [];
      const { byHeight, byWeight } = door.chosen.profile;
      const [highest, heaviest] = [byHeight, byWeight].map((rows) => Math.max(...rows.map(({ upTo }) => upTo)));
      const numbers: Dim[] = [];
      if (door.front.v.size.value > (highest ?? 0)) numbers.push(door.front.v.size);
      if (door.weight.value > (heaviest ?? 0)) numbers.push(door.weight);
      if (numbers.length === 0) return [];
      const measured = numbers.map((dim) =>
        dim === door.weight ? `${dim.value.toFixed(1)} kg` : `${show(dim.value)} high`,
      );
      return [
        {
          severity: 'warn',
          what: `${capital(frontName(door.front))} is ${measured.join(' and ')}; the hinge's tables end at ${show(highest ?? 0)} and ${heaviest} kg.`,
          why: 'How many it needs is not known. Split the door, make it lighter, or take a hinge made for it.',
          numbers,
          parts: keysOf(door.front),
        },
      ];
    }),
};

/** A door that has no room for two hinges. */
const doorTooSmall: HingeRule = {
  id: 'hinges/door-too-small',
  check: ({ fitted: { hinges }, show }) =>
    hinges.flatMap((door): FindingDraft[] =>
      door.tooSmall
        ? [
            {
              severity: 'stop',
              what: `${capital(frontName(door.front))} is ${show(door.front.h.size.value)} by ${show(door.front.v.size.value)}, too small for two hinges.`,
              why: 'They would meet or leave the door. Make it larger, or hang it otherwise.',
              numbers: [door.front.h.size, door.front.v.size],
              parts: keysOf(door.front),
            },
          ]
        : [],
    ),
};

/** A band so thick that the hinge cup runs into it. */
const bandTooThick: HingeRule = {
  id: 'fronts/band-too-thick',
  check: ({ fitted: { hinges }, show }) =>
    hinges.flatMap(({ front, chosen, bored }): FindingDraft[] => {
      const band = bored?.bands[0]?.thickness;
      if (!band || chosen?.kind !== 'concealed' || band.value < chosen.offset) return [];
      return [
        {
          severity: 'warn',
          what: `The band on ${frontName(front)} is ${show(band.value)} thick and the hinge cup begins ${show(chosen.offset)} from the edge.`,
          why: 'The cup would cut through the glue line and the band breaks away there. Take a thinner band or a larger cup offset.',
          numbers: [band],
          parts: keysOf(front),
          settings: [ownPathTo.setting('banding/frontThickness')],
        },
      ];
    }),
};

export const hingeRules: readonly HingeRule[] = [
  bandTooThick,
  notReachable,
  hingeNotFollowed,
  against,
  gapTooSmall,
  cupDoesNotFit,
  leafTooWide,
  tooFew,
  doorTooSmall,
];
