import type { FindingDraft } from '../../cabinet/index.js';
import { pathTo, setChoice, settingPath } from '../../decisions/index.js';
import { capital, type Dim, within } from '../../ground/index.js';
import type { WasteRule } from './rule.js';

/** No bins of the library go behind a front that is to pull them out. */
const noBins: WasteRule = {
  id: 'waste/too-small',
  check(context) {
    const { fitted, face, interiors, resolved } = context;
    const decided = resolved.settings.waste.choice.value;
    return fitted.waste
      .filter(({ profile }) => profile === undefined)
      .map(({ name, front, opening, against, across, up, depth }): FindingDraft => {
        const told = against.filter(({ unasked }) => !unasked).map(({ name: bins, why }) => `${bins}: ${why}`);
        const room = front ? undefined : interiors.compartments.find(({ id }) => id === opening);
        const cell = front && face.ok ? face.cells.find((each) => each.opening.id === opening) : undefined;
        return {
          severity: 'stop',
          what: `No bins in the library go ${front ? 'behind' : 'into'} ${within(name)}.`,
          why: told.length > 0 ? `${told.slice(0, 3).join('; ')}.` : `The library has no bins "${decided}".`,
          numbers: [across, up, depth],
          parts: front ? [front] : [],
          settings: [settingPath(context, 'waste/choice')],
          fixes: [
            ...(decided === 'none' ? [] : [setChoice(context, 'Leave the bins to the rules', 'waste/choice', 'none')]),
            ...(cell
              ? [
                  {
                    label: 'Hang a door instead',
                    edits: [{ path: pathTo.openingField(cell.path, 'fill'), value: { kind: 'door', hinged: 'left' } }],
                  },
                ]
              : []),
            ...(room
              ? [{ label: 'Leave the room empty', edits: [{ path: room.path, value: { kind: 'nothing' } }] }]
              : []),
          ],
        };
      });
  },
};

/** Runners of bins with nothing beside them. */
const nothingCarries: WasteRule = {
  id: 'waste/nothing-carries',
  check: (context) =>
    context.fitted.waste
      .filter(({ profile, carried }) => profile && !carried)
      .map(({ name, front }) => ({
        severity: 'stop',
        what: `Nothing stands beside the bins of ${within(name)} to carry them.`,
        why: 'The column beside it has no partition. Put one in.',
        parts: front ? [front] : [],
        settings: [settingPath(context, 'dividers/partitions')],
        fixes: [setChoice(context, 'Put partitions in', 'dividers/partitions', 'partition')],
      })),
};

/** A front laps its opening as much on one side as on the other, within this (mm). */
const CENTRED = 1;

/**
 * The shortcut (front less opening, halved) would put the brackets elsewhere: askew where the front is not centred from
 * side to side, too high or low where it is not from top to bottom, as most are not.
 */
const offCentre: WasteRule = {
  id: 'waste/off-centre',
  check: ({ fitted, show }) =>
    fitted.waste.flatMap(({ name, front, profile, overlay }): FindingDraft[] => {
      if (!profile || !overlay) return [];
      const { left, right, lower, upper } = overlay;
      const apart = (one: Dim, other: Dim) => Math.abs(one.value - other.value) > CENTRED;
      const [askew, off] = [apart(left, right), apart(lower, upper)];
      if (!askew && !off) return [];
      const laps = [
        ...(askew ? [`${show(left.value)} at the left and ${show(right.value)} at the right`] : []),
        ...(off ? [`${show(lower.value)} below and ${show(upper.value)} above`] : []),
      ];
      const set = askew
        ? 'askew'
        : `${show(Math.abs(lower.value - upper.value) / 2)} too ${lower.value > upper.value ? 'low' : 'high'}`;
      return [
        {
          severity: askew ? 'warn' : 'note',
          what: `${capital(name)} laps its opening ${laps.join(', ')}.`,
          why: `Half the difference of front and opening would set the brackets ${set}: mark them from each edge as they are given here.`,
          numbers: [...(askew ? [left, right] : []), ...(off ? [lower, upper] : [])],
          parts: front ? [front] : [],
        },
      ];
    }),
};

export const wasteRules: readonly WasteRule[] = [noBins, nothingCarries, offCentre];
