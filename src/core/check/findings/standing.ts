import type { FindingDraft, FindingRule, Named, NeighbourDraft, NeighbourRule } from '../../cabinet/index.js';
import { numberOf, ownPathTo, pathTo, settingPath } from '../../decisions/index.js';
import { TOLERANCE_MM } from '../../ground/index.js';
import { partKeys } from '../../part/index.js';

/** What is as high as a worktop lies (mm): lower it is furniture, higher it stands beside the worktop, not under it. */
const UNDER_A_WORKTOP = { from: 650, to: 1050 };
/** What stands beside it may be so much lower or higher: the worktop is shimmed (mm). */
const SHIMMED = 2;

const OVERALL = 'size/height/mm';

/** Two base cabinets side by side of different heights: no worktop lies level on both. */
const heightsDiffer: NeighbourRule = {
  id: 'neighbours/heights-differ',
  check(left, right, show): NeighbourDraft[] {
    if (left.cabinet.kind !== 'base' || right.cabinet.kind !== 'base') return [];
    const heights = [left.box.overallHeight, right.box.overallHeight] as const;
    if (Math.abs(heights[0].value - heights[1].value) <= TOLERANCE_MM) return [];
    const as = ({ box, cabinet }: Named) => ({
      label: `Make it ${show(box.overallHeight.value)} high, as cabinet ${cabinet.number}`,
      edits: [{ path: pathTo.cabinetField(right.cabinet.id, OVERALL), value: box.overallHeight.value }],
    });
    return [
      {
        severity: 'warn',
        cabinetId: right.cabinet.id,
        what: `It is ${show(heights[1].value)} high, and cabinet ${left.cabinet.number} beside it ${show(heights[0].value)}.`,
        why: 'One worktop does not lie level on both. Give them one height, or end the worktop between them.',
        numbers: [left, right].map(({ cabinet, box }) => numberOf(cabinet, box.overallHeight)),
        settings: [pathTo.cabinetField(right.cabinet.id, OVERALL)],
        fixes: right.cabinet.size.height.from === 'overall' ? [as(left)] : [],
      },
    ];
  },
};

/** A base cabinet higher or lower than the machine that was measured beside it. */
const notAsHighAsBeside: FindingRule = {
  id: 'carcass/not-as-high-as-beside',
  check(context) {
    const { cabinet, box, resolved, show } = context;
    if (cabinet.kind !== 'base') return [];
    return (['left', 'right'] as const).flatMap((end): FindingDraft[] => {
      const { what: stands, high: beside } = resolved.given[end];
      const { overallHeight } = box;
      if (stands === 'wall' || beside.value < UNDER_A_WORKTOP.from || beside.value > UNDER_A_WORKTOP.to) return [];
      if (Math.abs(beside.value - overallHeight.value) <= SHIMMED) return [];
      const path = ownPathTo.field(OVERALL);
      return [
        {
          severity: 'warn',
          what: `It is ${show(overallHeight.value)} high, and what stands beside its ${end} end ${show(beside.value)}.`,
          why: 'A worktop over both does not lie level. Give the cabinet that height, or set what stands there on its feet to match.',
          numbers: [overallHeight, beside],
          settings: [path, settingPath(context, `ends/${end}High`)],
          fixes:
            cabinet.size.height.from === 'overall'
              ? [{ label: `Make it ${show(beside.value)} high`, edits: [{ path, value: beside.value }] }]
              : [],
        },
      ];
    });
  },
};

/** A box whose plinth is screwed to it in front only. */
const plinthHeldInFront: FindingRule = {
  id: 'carcass/plinth-held-in-front',
  check(context) {
    const { parts, box, resolved, fasteners } = context;
    if (resolved.settings.toe.kind.value !== 'plinth') return [];
    const bottom = parts.find(({ key }) => key === 'bottom');
    if (!bottom) return [];
    const middle = (bottom.extent.min[1] + bottom.extent.max[1]) / 2;
    const behind = fasteners.some(
      ({ through, fastens: { into }, operation }) =>
        through === bottom &&
        typeof into === 'string' &&
        partKeys.plinth.read(into) !== undefined &&
        operation.kind === 'holes' &&
        // From front to rear they stand in line along the width, or each at its own place across it.
        (operation.from.startsWith('v')
          ? bottom.extent.min[1] + operation.offset.value > middle
          : operation.positions.some(({ value: mm }) => bottom.extent.min[1] + mm > middle)),
    );
    if (behind) return [];
    const path = settingPath(context, 'toe/rearSetback');
    const value =
      Math.ceil((box.sideDepth.value - box.clearDepth.value + 2 * resolved.materials.toe.thickness.value) / 5) * 5;
    return [
      {
        severity: 'warn',
        what: 'The box is screwed to its plinth in front only.',
        why: 'At the rear the screws would come into the back, so there are none, and the box tips off its plinth as it is pushed. Bring the rear rail of the plinth forward.',
        numbers: [resolved.settings.toe.rearSetback],
        parts: ['bottom', 'plinth/rear'],
        settings: [path],
        fixes: [{ label: `Set the plinth ${context.show(value)} in from the rear`, edits: [{ path, value }] }],
      },
    ];
  },
};

/** Doors, or an open bay, over a stretcher or over nothing: what is put in has no floor. */
const noFloor: FindingRule = {
  id: 'interiors/no-floor',
  check({ face, show, resolved }) {
    if (!face.ok) return [];
    return face.boundaries.flatMap(({ after, axis, kind, inside }): FindingDraft[] => {
      if (axis !== 'rows' || (kind !== 'stretcher' && kind !== 'none')) return [];
      const cell = face.cells.find(({ opening }) => opening.id === after);
      // What is put in a room of its own stands on its floor.
      if (!cell || !resolved.fills.opening[cell.fill.kind]?.room) return [];
      const path = pathTo.openingField(cell.path, 'divider');
      const on =
        kind === 'stretcher' ? `a stretcher ${show(resolved.settings.top.stretcherWidth.value)} wide` : 'nothing';
      return [
        {
          severity: 'warn',
          what: `Under ${cell.name} lies ${on}: it has no floor.`,
          why: 'What is put in stands on that strip and falls down behind it. A fixed shelf, or a web frame with a panel, closes it.',
          numbers: [inside.low],
          parts: [partKeys.divider.of({ after })],
          settings: [path],
          fixes: [{ label: 'Put a fixed shelf there', edits: [{ path, value: 'shelf' }] }],
        },
      ];
    });
  },
};

/** How a cabinet stands: on its plinth, beside others, and what stands in it. */
export const standingRules: readonly FindingRule[] = [notAsHighAsBeside, plinthHeldInFront, noFloor];
export const standingNeighbourRules: readonly NeighbourRule[] = [heightsDiffer];
