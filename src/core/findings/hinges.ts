import { leastGap } from '../hinges/index.js';
import type { FindingDraft, FindingRule } from './finding.js';

const doorName = (name: string) => name.split(':')[0] ?? name;

/** No profile of the library reaches the overlay, not even with its side adjuster. */
const notReachable: FindingRule = {
  id: 'hinges/not-reachable',
  check: ({ doors, cabinet, show }) =>
    doors.flatMap(({ front, solutions, wanted, fit }): FindingDraft[] => {
      if (solutions.length > 0) return [];
      return [
        {
          severity: 'stop',
          what: `No hinge in the library reaches the overlay of ${show(wanted.mm)} on ${doorName(front.parts[0]?.name ?? 'a door').toLowerCase()}.`,
          why: `Of those for this fit (${fit}) and these wishes none comes within its side adjuster. Change the reveal, the opening angle or how doors close, or enter another hinge.`,
          numbers: [wanted],
          parts: front.parts.map((part) => part.key),
          settings: [`cabinets/${cabinet.id}/settings/hinges/opening`],
          fixes: [
            {
              label: 'Hang the doors otherwise',
              edits: [{ path: `cabinets/${cabinet.id}/settings/hinges/kind`, value: 'none' }],
            },
          ],
        },
      ];
    }),
};

/** Nothing within reach of a hinge is clear of what stands behind it. */
const against: FindingRule = {
  id: 'hinges/against-shelf',
  check: ({ doors, show }) =>
    doors.flatMap(({ front, places }): FindingDraft[] => {
      const blocked = places.filter((place) => place.moved === undefined);
      if (blocked.length === 0) return [];
      return [
        {
          severity: 'warn',
          what: `${blocked.length === 1 ? 'A hinge' : `${blocked.length} hinges`} of ${doorName(front.parts[0]?.name ?? 'a door').toLowerCase()} stand${blocked.length === 1 ? 's' : ''} against a shelf, a stretcher or the end of the box at ${blocked.map((place) => show(place.onCase.mm)).join(', ')}.`,
          why: 'Moving it up to 60 does not clear it. Change the end distance, or move the shelf.',
          numbers: blocked.map((place) => place.onCase),
          parts: front.parts.map((part) => part.key),
        },
      ];
    }),
};

/** The door needs this much gap at its hinge edge to clear while it turns. */
const gapTooSmall: FindingRule = {
  id: 'hinges/gap-too-small',
  check: ({ doors, box, resolved, show, cabinet }) =>
    doors.flatMap(({ front, chosen, fit }): FindingDraft[] => {
      if (!chosen || !front.hinged || fit === 'frame') return [];
      const { reveal, gap } = resolved.settings.fronts;
      const there = fit === 'full' ? reveal[front.hinged] : gap;
      const needed = leastGap(chosen.profile, box.frontThickness.mm);
      if (there.mm >= needed - 0.001) return [];
      return [
        {
          severity: 'warn',
          what: `${doorName(front.parts[0]?.name ?? 'A door')} has ${show(there.mm)} at its hinge edge and needs ${show(needed)} to turn.`,
          why: `At ${show(box.frontThickness.mm)} thick its edge swings past its own line and strikes what is beside it. Widen the reveal or take a thinner door.`,
          numbers: [there],
          parts: front.parts.map((part) => part.key),
          settings: [`cabinets/${cabinet.id}/settings/fronts/${fit === 'full' ? `reveal/${front.hinged}` : 'gap'}`],
        },
      ];
    }),
};

/** The cup must stay in the stile, and leave a skin under it. */
const cupDoesNotFit: FindingRule = {
  id: 'hinges/cup-does-not-fit',
  check: ({ doors, resolved, show }) =>
    doors.flatMap(({ front, chosen, bored }): FindingDraft[] => {
      if (!chosen) return [];
      const { making } = resolved.settings;
      const { cup } = chosen.profile;
      const findings: FindingDraft[] = [];
      const framed = front.parts.some((part) => part.key.endsWith('/panel'));
      const needed = chosen.offset + cup.diameter + (framed ? CUP_MARGIN : 0);
      const there = making.stile.mm - making.groove.mm;
      if (framed && needed > there)
        findings.push({
          severity: 'warn',
          what: `The hinge cup needs ${show(needed)} of the stile and has ${show(there)} before the panel's groove.`,
          why: 'It would break into the groove. Widen the stile, or take a smaller cup offset.',
          numbers: [making.stile, making.groove],
          parts: front.parts.map((part) => part.key),
        });
      const skin = (bored?.thickness.mm ?? 0) - cup.depth;
      if (skin < LEAST_SKIN)
        findings.push({
          severity: 'stop',
          what: `Under the hinge cup only ${show(skin)} of the door is left.`,
          why: `At least ${show(LEAST_SKIN)} has to stay, or the bit comes through the face.`,
          parts: front.parts.map((part) => part.key),
        });
      return findings;
    }),
};

/** Between cup and panel groove, and between cup and face (mm). */
const CUP_MARGIN = 2;
const LEAST_SKIN = 2;

/** A door that has no room for two cups. */
const doorTooSmall: FindingRule = {
  id: 'hinges/door-too-small',
  check: ({ doors, show }) =>
    doors.flatMap(({ front, tooSmall }): FindingDraft[] =>
      tooSmall
        ? [
            {
              severity: 'stop',
              what: `${doorName(front.parts[0]?.name ?? 'A door')} is ${show(front.h.size.mm)} by ${show(front.v.size.mm)}, too small for two concealed hinges.`,
              why: 'Their cups and plates would meet or leave the door. Make it larger, or hang it otherwise.',
              numbers: [front.h.size, front.v.size],
              parts: front.parts.map((part) => part.key),
            },
          ]
        : [],
    ),
};

export const hingeRules: readonly FindingRule[] = [notReachable, against, gapTooSmall, cupDoesNotFit, doorTooSmall];
