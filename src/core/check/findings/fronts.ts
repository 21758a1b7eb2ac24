import { grainGroups, lippedClearance } from '../../build/index.js';
import type { FindingDraft, FindingRule, RuleContext } from '../../cabinet/index.js';
import { ownPathTo, type ProposedAct, pathTo, setChoice, settingPath } from '../../decisions/index.js';
import { TOLERANCE_MM } from '../../ground/index.js';
import { partKeys } from '../../part/index.js';
import { comesOut } from './sheets.js';

/** An inset front with nothing to stop against swings or slides into the box. */
const insetWithoutStop: FindingRule = {
  id: 'fronts/inset-without-stop',
  check({ fronts, resolved }) {
    const { fit, stops } = resolved.settings.fronts;
    if (fit.value !== 'inset' || stops.value === 'fitted' || fronts.length === 0) return [];
    const path = ownPathTo.setting('fronts/stops');
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
  check({ fronts, resolved, show }) {
    const { fit, lip, rebateWidth, rebateDepth } = resolved.settings.fronts;
    if (fit.value !== 'lipped' || fronts.length === 0) return [];
    const clearance = lippedClearance(resolved.settings.fronts);
    const thickness = resolved.materials.front.thickness;
    const findings = [];
    if (clearance.value <= 0)
      findings.push({
        severity: 'stop' as const,
        what: `The lipped fronts have ${show(clearance.value)} clearance in their openings.`,
        why: 'The rebate has to be wider than the lip, or the front does not go in.',
        numbers: [clearance, rebateWidth, lip],
        settings: [ownPathTo.setting('fronts/rebateWidth'), ownPathTo.setting('fronts/lip')],
      });
    if (rebateDepth.value >= thickness.value)
      findings.push({
        severity: 'stop' as const,
        what: `The rebate is ${show(rebateDepth.value)} deep in fronts ${show(thickness.value)} thick.`,
        why: 'Nothing is left of the lip.',
        numbers: [rebateDepth, thickness],
        settings: [ownPathTo.setting('fronts/rebateDepth')],
      });
    return findings;
  },
};

/** A divider pinned so far off its gap that a front no longer closes its opening. */
const gapBesideDivider: FindingRule = {
  id: 'fronts/gap-beside-divider',
  check({ face, resolved, show }) {
    if (!face.ok || resolved.settings.fronts.fit.value === 'inset') return [];
    return face.splits.flatMap((split) =>
      split.parts.slice(0, -1).flatMap((opening, at): FindingDraft[] => {
        const boundary = face.boundaries.find(({ after }) => after === opening.id);
        const [one, other] = [split.face[at], split.face[at + 1]];
        if (!boundary || boundary.kind === 'none' || !opening.dividerOff || !one || !other) return [];
        const { clear } = boundary;
        const gap = split.axis === 'rows' ? { low: other.high, high: one.low } : { low: one.high, high: other.low };
        const open = Math.max(clear.low.value - gap.low.value, gap.high.value - clear.high.value);
        if (open <= TOLERANCE_MM) return [];
        const path = pathTo.openingField(pathTo.opening(split.path, opening.id), 'dividerOff');
        return [
          {
            severity: 'stop',
            what: `A divider is pinned ${show(Math.abs(opening.dividerOff))} off its gap, and a front ends ${show(open)} short of it.`,
            why: 'It no longer covers the edge it closes against. Pin the divider nearer to the middle of the gap.',
            numbers: [gap.low, gap.high, clear.low, clear.high],
            parts: [partKeys.divider.of({ after: opening.id })],
            settings: [path],
            fixes: [{ label: 'Put the divider in the middle of the gap', edits: [{ path, value: undefined }] }],
          },
        ];
      }),
    );
  },
};

/** What divides two openings must leave the gap between the fronts that lap it from both sides. */
const frontsMeet: FindingRule = {
  id: 'fronts/too-close',
  check({ face, resolved, show }) {
    if (!face.ok) return [];
    const { gap, fit } = resolved.settings.fronts;
    const tight = face.splits.flatMap((split) =>
      split.between.filter((between) => between.face.value < gap.value - TOLERANCE_MM),
    );
    const [worst] = tight.sort((a, b) => a.face.value - b.face.value);
    if (!worst) return [];
    const lap = fit.value === 'lipped' ? 'fronts/lip' : 'frame/overlay';
    return [
      {
        severity: 'stop',
        what: `Between two fronts only ${show(worst.face.value)} is left; the gap is ${show(gap.value)}.`,
        why: 'What divides the openings is too narrow for both fronts to lap it. Widen it, or lap the fronts less.',
        numbers: [worst.face, worst.clear],
        settings: [ownPathTo.setting(lap)],
      },
    ];
  },
};

/** A blank for fronts with running grain that no sheet is large enough for. */
const grainBlank: FindingRule = {
  id: 'fronts/grain-blank-too-large',
  check: ({ fronts, resolved, show, head }) =>
    grainGroups(fronts, resolved).flatMap(({ parts, height, width }): FindingDraft[] => {
      const [first] = parts;
      if (!first) return [];
      const upright = first.placement.u[1] === 'z';
      const [along, across] = upright ? [height, width] : [width, height];
      const { sheet } = first.material;
      if (comesOut(head, first.material, along.value, across.value)) return [];
      return [
        {
          severity: 'stop',
          what: `${parts.length} fronts with running grain need a blank ${show(along.value)} by ${show(across.value)}; a sheet of ${first.material.name} is ${show(sheet.length)} by ${show(sheet.width)}, ${show(head.workshop.cutting.trim)} trimmed off each edge.`,
          why: 'The grain cannot run on over a joint between sheets. Let it run in smaller groups.',
          numbers: [height, width],
          parts: parts.map((part) => part.key),
          fixes: [
            {
              label: 'Let each front be cut on its own',
              edits: [{ path: ownPathTo.setting('fronts/grainRuns'), value: 'none' }],
            },
          ],
        },
      ];
    }),
};

/** A drawer passes a wall at least so far from it: no wall is straight and plumb (mm). */
const FROM_WALL = 10;

/** A drawer that would scrape along a wall. */
const drawerBesideWall: FindingRule = {
  id: 'fronts/drawer-beside-wall',
  check(context) {
    const { fronts, box, resolved, show } = context;
    return (['left', 'right'] as const).flatMap((end): FindingDraft[] => {
      if (resolved.given[end].what !== 'wall') return [];
      const away = (front: (typeof fronts)[number]) =>
        end === 'left' ? front.h.low.plus(box.beyondLeft) : box.width.plus(box.beyondRight).minus(front.h.high);
      const near = fronts.filter(
        (front) => front.like === 'drawer' && front.opens === 'out' && away(front).value < FROM_WALL,
      );
      const [first] = near;
      if (!first) return [];
      return [
        {
          severity: 'warn',
          what: `${near.length === 1 ? 'A drawer front passes' : `${near.length} drawer fronts pass`} the wall at ${show(away(first).value)}.`,
          why: `Walls are neither straight nor plumb: leave at least ${show(FROM_WALL)}, or more for a door casing. A filler at that end does.`,
          numbers: [away(first).as('drawer front from the wall')],
          parts: near.map(({ key }) => key),
          settings: [settingPath(context, 'ends/filler')],
          fixes: [fillerOf(context)],
        },
      ];
    });
  },
};

/** A filler strip, as wide as the shop rips without trouble at least. */
function fillerOf(context: RuleContext): ProposedAct {
  const { safeRip } = context.head.workshop.cutting;
  const { label, edits } = setChoice(context, 'Fit a filler strip', 'ends/filler', 'strip');
  if (context.resolved.settings.ends.scribe.value >= safeRip) return { label, edits };
  return {
    label: `${label} ${context.show(safeRip)} wide`,
    edits: [...edits, { path: settingPath(context, 'ends/scribe'), value: safeRip }],
  };
}

export const frontRules: readonly FindingRule[] = [
  insetWithoutStop,
  lippedBinds,
  gapBesideDivider,
  frontsMeet,
  grainBlank,
  drawerBesideWall,
];
