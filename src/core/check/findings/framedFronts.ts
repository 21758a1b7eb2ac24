import {
  behindGroove,
  type Front,
  frontName,
  grooveCut,
  grooveInset,
  keysOf,
  shrinkage,
  slotPlaces,
} from '../../build/index.js';
import type { FindingDraft, FindingRule, RuleContext } from '../../cabinet/index.js';
import { setChoice, settingPath } from '../../decisions/index.js';
import { capital, TOLERANCE_MM } from '../../ground/index.js';
import type { Part } from '../../part/index.js';

/** The fronts made as frame and panel, each with its panel and its members. */
function framedFronts({ fronts }: RuleContext): { front: Front; panel: Part; members: Part[] }[] {
  return fronts.flatMap((front) => {
    const panel = front.parts.find(({ piece }) => piece?.kind === 'panel');
    return panel ? [{ front, panel, members: front.parts.filter((part) => part !== panel) }] : [];
  });
}

/** Wood that has to stay before and behind the groove, and between it and the outer edge (mm). */
const WALL = 3;
const BEHIND_GROOVE = 10;

/** The groove must leave wood before and behind it. */
const grooveBreaksOut: FindingRule = {
  id: 'fronts/groove-breaks-out',
  check(context) {
    const { resolved, show } = context;
    const framed = framedFronts(context);
    const [first] = framed;
    if (!first) return [];
    const before = grooveInset(resolved);
    const behind = behindGroove(resolved);
    const least = Math.min(before.value, behind.value);
    if (least >= WALL - TOLERANCE_MM) return [];
    return [
      {
        severity: least <= TOLERANCE_MM ? 'stop' : 'warn',
        what: `The groove of the framed fronts leaves ${show(before.value)} before it and ${show(behind.value)} behind it.`,
        why: `At least ${show(WALL)} has to stay, or the wall breaks off. Take thicker frame stock, a thinner panel, or move the groove.`,
        numbers: [before, behind],
        parts: framed.flatMap(({ members }) => members.map(({ key }) => key)),
        settings: [settingPath(context, 'making/grooveFrom')],
      },
    ];
  },
};

/** A front too small for its own frame: its members run into each other. */
const membersMeet: FindingRule = {
  id: 'fronts/too-small-for-frame',
  check: (context) =>
    context.fronts.flatMap((front): FindingDraft[] => {
      const { resolved, show } = context;
      const stiles = front.parts.filter(({ piece }) => piece?.kind === 'stile');
      const rails = front.parts.filter(({ piece }) => piece?.kind === 'rail');
      const [stile, rail] = [stiles[0], rails[0]];
      const left = [
        ...(stile ? [front.h.size.minus(stile.width.times(stiles.length)).as('left between the stiles')] : []),
        ...(rail ? [front.v.size.minus(rail.width.times(rails.length)).as('left between the rails')] : []),
      ].filter(({ value: mm }) => mm <= TOLERANCE_MM);
      const [gone] = left;
      if (!gone) return [];
      const path = settingPath(context, 'making/rail');
      return [
        {
          severity: 'stop',
          what: `${capital(frontName(front))} is ${show(front.h.size.value)} by ${show(front.v.size.value)}, too small for a frame of members ${show((stile ?? rail)?.width.value ?? 0)} wide.`,
          why: 'They run into each other and leave nothing for a panel. Make the members narrower, or such fronts as slabs.',
          numbers: [gone, front.h.size, front.v.size],
          parts: front.parts.map(({ key }) => key),
          settings: [path],
          fixes:
            resolved.settings.making.kind.value === 'slab'
              ? []
              : [setChoice(context, 'Make the fronts as slabs', 'making/kind', 'slab')],
        },
      ];
    }),
};

/** Between the groove's floor and what is cut from the other side, or the outer edge, at least 10 have to stay. */
const memberTooNarrow: FindingRule = {
  id: 'fronts/member-too-narrow',
  check(context) {
    const { resolved, show } = context;
    const { settings } = resolved;
    const cut = grooveCut(settings);
    const lipped = settings.fronts.fit.value === 'lipped';
    return framedFronts(context).flatMap(({ front, members }): FindingDraft[] => {
      const [narrow] = [...members].sort((a, b) => a.width.value - b.width.value);
      if (!narrow) return [];
      const plain = narrow.width.minus(cut);
      const left = (lipped ? plain.minus(settings.fronts.rebateWidth) : plain).as('wood behind the groove');
      if (left.value >= BEHIND_GROOVE - TOLERANCE_MM) return [];
      return [
        {
          severity: left.value <= TOLERANCE_MM ? 'stop' : 'warn',
          what: `${capital(frontName(front))}: a member ${show(narrow.width.value)} wide keeps ${show(left.value)} behind its groove${lipped ? ' and its rebate' : ''}.`,
          why: `At least ${show(BEHIND_GROOVE)} has to stay. Make the member wider or the groove shallower.`,
          numbers: [left],
          parts: [narrow.key],
          settings: [settingPath(context, 'making/groove')],
        },
      ];
    });
  },
};

/** A tenon thinner than this at the corner does not hold (mm). */
const LEAST_TENON = 4;

/** The rebate of a lipped front, where it is deeper than the wood behind the groove, cuts into the tenons at the corners. */
const rebateInTenon: FindingRule = {
  id: 'fronts/rebate-in-tenon',
  check(context) {
    const { resolved, show } = context;
    const { settings, materials } = resolved;
    const framed = framedFronts(context);
    if (framed.length === 0 || settings.fronts.fit.value !== 'lipped' || settings.making.kind.value !== 'stick')
      return [];
    const into = settings.fronts.rebateDepth.minus(behindGroove(resolved)).as('rebate into the tenon');
    if (into.value <= TOLERANCE_MM) return [];
    const left = materials.doorPanel.thickness.minus(into).as('tenon left at the corner');
    const stop = left.value < LEAST_TENON - TOLERANCE_MM;
    return [
      {
        severity: stop ? 'stop' : 'note',
        what: `The rebate goes ${show(into.value)} into the tenons at the corners of the lipped fronts; ${show(Math.max(0, left.value))} of them is left there.`,
        why: stop
          ? `At least ${show(LEAST_TENON)} has to stay. Make the rebate shallower, or move the groove towards the face.`
          : 'It holds. Cut the rebates after the frame is glued up.',
        numbers: [into, left],
        parts: framed.flatMap(({ members }) =>
          members.filter(({ piece }) => piece?.kind === 'rail').map(({ key }) => key),
        ),
        settings: [settingPath(context, 'fronts/rebateDepth')],
      },
    ];
  },
};

/** Stub tenons shorter than this do not carry a tall or heavy front whose panel floats (mm, mm, kg). */
const STUB = { length: 15, height: 900, weight: 6 };

const stubTooShort: FindingRule = {
  id: 'fronts/stub-tenon-too-short',
  check(context) {
    const { resolved, show } = context;
    const { groove, kind } = resolved.settings.making;
    if (kind.value !== 'stick' || groove.value >= STUB.length - TOLERANCE_MM) return [];
    return framedFronts(context).flatMap(({ front, panel }): FindingDraft[] => {
      if (front.opens !== 'aside' || panel.material.form !== 'solid') return [];
      if (front.v.size.value <= STUB.height && front.weight.value <= STUB.weight) return [];
      const path = settingPath(context, 'making/groove');
      return [
        {
          severity: 'warn',
          what: `${capital(frontName(front))} is ${show(front.v.size.value)} high and weighs ${front.weight.value.toFixed(1)} kg on stub tenons ${show(groove.value)} long.`,
          why: 'A solid panel floats and does not stiffen the frame. Make the groove and its tenons 15 or longer, or add loose tenons or dowels at the corners.',
          numbers: [groove, front.weight],
          parts: keysOf(front),
          settings: [path],
          fixes: [{ label: `Make groove and tenons ${show(STUB.length)}`, edits: [{ path, value: STUB.length }] }],
        },
      ];
    });
  },
};

/** What of a solid panel has to stay in its groove when it has shrunk as far as it may swell (mm). */
const STAYS = 3;

const panelLeavesGroove: FindingRule = {
  id: 'fronts/panel-leaves-groove',
  check(context) {
    const { resolved, show } = context;
    const { groove } = resolved.settings.making;
    return framedFronts(context).flatMap(({ front, panel }): FindingDraft[] => {
      const moves = shrinkage(panel.width, panel.material, resolved.settings);
      if (!moves) return [];
      const stile = front.parts.find(({ piece }) => piece?.kind === 'stile' && piece.where === 'left');
      if (!stile) return [];
      const held = stile.stands.x.high.minus(panel.stands.x.low).as('panel held in its groove');
      const stays = held.minus(moves.over(2)).as('panel left in its groove when it has shrunk');
      if (stays.value >= STAYS - TOLERANCE_MM) return [];
      const path = settingPath(context, 'making/groove');
      const wanted = Math.ceil(groove.value + STAYS - stays.value);
      return [
        {
          severity: 'warn',
          what: `The solid panel of ${frontName(front)} keeps ${show(stays.value)} in its groove when it shrinks ${show(moves.value)}.`,
          why: `At least ${show(STAYS)} has to stay in, or a gap opens. Make the groove deeper or the panel narrower.`,
          numbers: [stays, moves],
          parts: [panel.key],
          settings: [path],
          fixes: [{ label: `Make the groove ${show(wanted)} deep`, edits: [{ path, value: wanted }] }],
        },
      ];
    });
  },
};

/** A mitre too narrow for a loose tenon has only its glue. */
const mitreWithoutTenon: FindingRule = {
  id: 'fronts/mitre-without-tenon',
  check(context) {
    const { resolved, show } = context;
    const { settings } = resolved;
    if (settings.making.kind.value !== 'mitred') return [];
    return framedFronts(context).flatMap(({ front, members }): FindingDraft[] => {
      const stile = members.find(({ piece }) => piece?.kind === 'stile');
      const rail = members.find(({ piece }) => piece?.kind === 'rail');
      if (!stile || !rail || slotPlaces({ width: stile.width, meets: rail.width }, settings).length > 0) return [];
      return [
        {
          severity: 'warn',
          what: `The mitres of ${frontName(front)} have no room for a loose tenon ${show(settings.fasteners.tenonLength.value)} wide.`,
          why: 'Glue alone does not hold end grain. Take wider members, a narrower or shorter tenon, or grooved corners.',
          numbers: [stile.width, rail.width, settings.fasteners.tenonLength],
          parts: [stile.key, rail.key],
          settings: [settingPath(context, 'fasteners/tenonLength')],
        },
      ];
    });
  },
};

export const framedFrontRules: readonly FindingRule[] = [
  membersMeet,
  grooveBreaksOut,
  memberTooNarrow,
  rebateInTenon,
  stubTooShort,
  panelLeavesGroove,
  mitreWithoutTenon,
];
