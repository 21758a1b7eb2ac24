import { grainGroups } from '../fronts/index.js';
import { frontName } from '../hinges/index.js';
import { TOLERANCE_MM } from '../units/index.js';
import { type FindingDraft, type FindingRule, keysOf, settingPath } from './finding.js';

/** An inset front with nothing to stop against swings or slides into the box. */
const insetWithoutStop: FindingRule = {
  id: 'fronts/inset-without-stop',
  check({ cabinet, fronts, resolved }) {
    const { fit, stops } = resolved.settings.fronts;
    if (fit.value !== 'inset' || stops.value === 'fitted' || fronts.length === 0) return [];
    const path = settingPath({ cabinet }, 'fronts/stops');
    return [
      {
        severity: 'warn',
        what: 'The fronts lie in their openings and have nothing to stop against.',
        why: 'They run on into the box until a hinge or a slide takes the blow. Fit stops or catches.',
        parts: fronts.map((front) => front.key),
        settings: [path],
        fixes: [{ label: 'Fit stops', edits: [{ path, value: 'fitted' }] }],
      },
    ];
  },
};

/** Clearance of a lipped front per side = rebate width − lip; it must not bind. */
const lippedBinds: FindingRule = {
  id: 'fronts/lipped-binds',
  check({ cabinet, fronts, resolved, show }) {
    const { fit, lip, rebateWidth, rebateDepth } = resolved.settings.fronts;
    if (fit.value !== 'lipped' || fronts.length === 0) return [];
    const clearance = rebateWidth.minus(lip).as('clearance of the lipped front, each side');
    const thickness = resolved.materials.front.thickness;
    const findings = [];
    if (clearance.mm <= 0)
      findings.push({
        severity: 'stop' as const,
        what: `The lipped fronts have ${show(clearance.mm)} clearance in their openings.`,
        why: 'The rebate has to be wider than the lip, or the front does not go in.',
        numbers: [clearance, rebateWidth, lip],
        settings: [settingPath({ cabinet }, 'fronts/rebateWidth'), settingPath({ cabinet }, 'fronts/lip')],
      });
    if (rebateDepth.mm >= thickness.mm)
      findings.push({
        severity: 'stop' as const,
        what: `The rebate is ${show(rebateDepth.mm)} deep in fronts ${show(thickness.mm)} thick.`,
        why: 'Nothing is left of the lip.',
        numbers: [rebateDepth, thickness],
        settings: [settingPath({ cabinet }, 'fronts/rebateDepth')],
      });
    return findings;
  },
};

/** What divides two openings must leave the gap between the fronts that lap it from both sides. */
const frontsMeet: FindingRule = {
  id: 'fronts/too-close',
  check({ cabinet, face, resolved, show }) {
    if (!face.ok) return [];
    const { gap, fit } = resolved.settings.fronts;
    const tight = face.splits.flatMap((split) =>
      split.between.filter((between) => between.face.mm < gap.mm - TOLERANCE_MM),
    );
    const [worst] = tight.sort((a, b) => a.face.mm - b.face.mm);
    if (!worst) return [];
    const lap = fit.value === 'lipped' ? 'fronts/lip' : 'frame/overlay';
    return [
      {
        severity: 'stop',
        what: `Between two fronts only ${show(worst.face.mm)} is left; the gap is ${show(gap.mm)}.`,
        why: 'What divides the openings is too narrow for both fronts to lap it. Widen it, or lap the fronts less.',
        numbers: [worst.face, worst.clear],
        settings: [settingPath({ cabinet }, lap)],
      },
    ];
  },
};

/** A pull the library does not have. */
const pullMissing: FindingRule = {
  id: 'fronts/pull-missing',
  check({ cabinet, fronts, resolved, head }) {
    const { pulls } = resolved.settings;
    return (['doors', 'drawers'] as const).flatMap((which): FindingDraft[] => {
      const { value } = pulls[which];
      const used = fronts.some(({ kind }) => kind === (which === 'doors' ? 'door' : 'drawer'));
      if (!used || value === 'none' || head.hardware.pulls.some(({ id }) => id === value)) return [];
      const path = settingPath({ cabinet }, `pulls/${which}`);
      return [
        {
          severity: 'warn',
          what: `The pull "${value}" on the ${which} is not in the library.`,
          why: 'Its holes cannot be placed. Choose one the library has, or bring the library it stands in.',
          settings: [path],
          fixes: [
            ...head.hardware.pulls
              .slice(0, 2)
              .map(({ id, name }) => ({ label: `Take the ${name}`, edits: [{ path, value: id }] })),
            { label: 'Bore none', edits: [{ path, value: 'none' }] },
          ],
        },
      ];
    });
  },
};

/** A pull that reaches beyond its front. */
const pullTooLong: FindingRule = {
  id: 'fronts/pull-too-long',
  check: ({ fronts, pulls, cabinet, show }) =>
    pulls.flatMap(({ frontKey, profile, extent }): FindingDraft[] => {
      const front = fronts.find(({ key }) => key === frontKey);
      if (!front) return [];
      const over = Math.max(
        front.h.low.mm - extent.min[0],
        extent.max[0] - front.h.high.mm,
        front.v.low.mm - extent.min[2],
        extent.max[2] - front.v.high.mm,
      );
      if (over <= TOLERANCE_MM) return [];
      return [
        {
          severity: 'warn',
          what: `The ${profile.name} stands ${show(over)} over the edge of ${frontName(front)}.`,
          why: 'It is longer than the front has room for, or too near the corner. Take a shorter one or move it.',
          numbers: [front.h.size, front.v.size],
          parts: keysOf(front),
          settings: [settingPath({ cabinet }, `pulls/${front.kind === 'door' ? 'doors' : 'drawers'}`)],
        },
      ];
    }),
};

/** A band so thick that the hinge cup runs into it. */
const bandTooThick: FindingRule = {
  id: 'fronts/band-too-thick',
  check: ({ doors, cabinet, show }) =>
    doors.flatMap(({ front, chosen, bored }): FindingDraft[] => {
      const band = bored?.bands[0]?.thickness;
      if (!band || chosen?.kind !== 'concealed' || band.mm < chosen.offset) return [];
      return [
        {
          severity: 'warn',
          what: `The band on ${frontName(front)} is ${show(band.mm)} thick and the hinge cup begins ${show(chosen.offset)} from the edge.`,
          why: 'The cup would cut through the glue line and the band breaks away there. Take a thinner band or a larger cup offset.',
          numbers: [band],
          parts: keysOf(front),
          settings: [settingPath({ cabinet }, 'banding/frontThickness')],
        },
      ];
    }),
};

/** A blank for fronts with running grain that no sheet is large enough for. */
const grainBlank: FindingRule = {
  id: 'fronts/grain-blank-too-large',
  check: ({ cabinet, fronts, resolved, show }) =>
    grainGroups(fronts, resolved).flatMap(({ parts, height, width }): FindingDraft[] => {
      const [first] = parts;
      if (!first) return [];
      const upright = first.placement.u[1] === 'z';
      const [along, across] = upright ? [height, width] : [width, height];
      const { sheet } = first.material;
      if (along.mm <= sheet.length + TOLERANCE_MM && across.mm <= sheet.width + TOLERANCE_MM) return [];
      return [
        {
          severity: 'stop',
          what: `${parts.length} fronts with running grain need a blank ${show(along.mm)} by ${show(across.mm)}; a sheet of ${first.material.name} is ${show(sheet.length)} by ${show(sheet.width)}.`,
          why: 'The grain cannot run on over a joint between sheets. Let it run in smaller groups.',
          numbers: [height, width],
          parts: parts.map((part) => part.key),
          fixes: [
            {
              label: 'Let each front be cut on its own',
              edits: [{ path: settingPath({ cabinet }, 'fronts/grainRuns'), value: 'none' }],
            },
          ],
        },
      ];
    }),
};

export const frontRules: readonly FindingRule[] = [
  insetWithoutStop,
  lippedBinds,
  frontsMeet,
  pullMissing,
  pullTooLong,
  bandTooThick,
  grainBlank,
];
