import { endShows, seatsOf, shrinkage } from '../carcass/index.js';
import { type Dim, length } from '../derive/index.js';
import { frameSizes } from '../frame/index.js';
import type { Groove, Operation, Rabbet, Recess } from '../machining/index.js';
import { isFrameStile } from '../parts/index.js';
import { TOLERANCE_MM } from '../units/index.js';
import { type FindingDraft, type FindingRule, setChoice, settingPath } from './finding.js';

/** Movement a maker has to provide for (mm). */
const MOVES = 1;

/** A bottom under the sides hangs on its screws unless something carries it. */
const bottomInWithdrawal: FindingRule = {
  id: 'carcass/bottom-in-withdrawal',
  check(context) {
    const { box, resolved } = context;
    if (!box.bottomUnder || resolved.settings.toe.kind.value === 'plinth') return [];
    const onFloor = resolved.settings.toe.kind.value === 'none' && context.cabinet.kind !== 'wall';
    if (onFloor) return [];
    return [
      {
        severity: 'stop',
        what: 'The bottom lies under the sides and nothing carries it over its whole area.',
        why: 'Its screws would be pulled out of the end grain by the load. Put it between the sides, or stand the box on a plinth or the floor.',
        parts: ['bottom'],
        settings: [settingPath(context, 'bottom/place')],
        fixes: [setChoice(context, 'Put the bottom between the sides', 'bottom/place', 'between')],
      },
    ];
  },
};

type Sunk = Groove | Rabbet | Recess;

function isSunk(operation: Operation): operation is Sunk {
  return operation.kind === 'groove' || operation.kind === 'rabbet' || operation.kind === 'recess';
}

/** A dado, groove or recess takes at most half of what it is cut in; a rabbet may take more, but never all of it. */
const cutTooDeep: FindingRule = {
  id: 'carcass/cut-too-deep',
  check: ({ parts, show }) =>
    parts.flatMap((part): FindingDraft[] => {
      const through = (depth: Dim) => depth.mm >= part.thickness.mm - TOLERANCE_MM;
      const tooDeep = ({ kind, depth }: Sunk) =>
        through(depth) || (kind !== 'rabbet' && depth.mm > part.thickness.mm / 2 + TOLERANCE_MM);
      let cut: Sunk | undefined;
      for (const operation of part.machining)
        if (isSunk(operation) && tooDeep(operation)) if (!cut || operation.depth.mm > cut.depth.mm) cut = operation;
      if (!cut) return [];
      const { kind, depth } = cut;
      return [
        {
          severity: through(depth) ? 'stop' : 'warn',
          what: `A ${kind} ${show(depth.mm)} deep is cut in ${part.name.toLowerCase()}, which is ${show(part.thickness.mm)} thick.`,
          why:
            kind !== 'rabbet'
              ? `More than half the thickness is gone there, and the part will break along the ${kind}.`
              : 'Nothing of the part is left behind the rabbet. Make the rabbet shallower or the part thicker.',
          numbers: [depth, part.thickness],
          parts: [part.key],
        },
      ];
    }),
};

/** Screws and pockets that would be seen on an exposed end. */
const visibleFasteners: FindingRule = {
  id: 'carcass/visible-fasteners',
  check(context) {
    const { parts, resolved } = context;
    return (['left', 'right'] as const).flatMap((end): FindingDraft[] => {
      if (!endShows(end, resolved.settings)) return [];
      const side = parts.find((part) => part.key === `side/${end}`);
      const seen =
        side?.machining.filter(
          (operation) => (operation.kind === 'holes' || operation.kind === 'pockets') && operation.face === 2,
        ) ?? [];
      if (seen.length === 0) return [];
      return [
        {
          severity: 'warn',
          what: `The ${end} end is exposed, and screws go through it.`,
          why: 'They show. A dado, dowels or loose tenons hide the joint; an applied end panel covers it.',
          parts: [`side/${end}`],
          settings: [settingPath(context, `ends/${end}`)],
          fixes: [
            setChoice(context, 'Apply an end panel', `ends/${end}Panel`, 'applied'),
            {
              label: 'Dado the horizontals',
              edits: (['bottom', 'top', 'shelf'] as const).map((which) => ({
                path: settingPath(context, `joints/${which}`),
                value: 'dado',
              })),
            },
          ],
        },
      ];
    });
  },
};

/** A partition that stands on a stretcher, or on nothing. */
const partitionWithoutSupport: FindingRule = {
  id: 'carcass/partition-without-support',
  check({ joints, parts }) {
    return parts
      .filter((part) => part.role === 'partition')
      .flatMap((part): FindingDraft[] => {
        const foot = joints.find((joint) => joint.member?.key === part.key && joint.member.end === 'u0');
        const seats = foot ? seatsOf(foot, parts) : [];
        const carried = seats.reduce((sum, { depth }) => sum + depth.mm, 0);
        const framed = seats.some(({ part: { role } }) => role === 'web');
        if (framed || carried >= part.width.mm * 0.6) return [];
        return [
          {
            severity: 'warn',
            what:
              seats.length > 0
                ? 'A partition stands on a part that is not as deep as it is.'
                : 'A partition stands on nothing.',
            why: 'Its rear hangs free and sags under load. Put a fixed shelf or a web frame under it.',
            parts: [part.key],
          },
        ];
      });
  },
};

/** Inside a face frame the sides must not stand in the opening. */
const negativePacking: FindingRule = {
  id: 'carcass/negative-packing',
  check(context) {
    const { box, resolved, show } = context;
    if (resolved.settings.frame.fitted.value !== 'fitted') return [];
    const { packingLeft, packingRight } = frameSizes(box, resolved);
    const { frame, fronts } = resolved.settings;
    // A tongue would stand in the rails, an inset front in the side.
    const tongue = frame.attachment.value === 'tongue';
    const stop = tongue || fronts.fit.value === 'inset';
    return (['left', 'right'] as const).flatMap((hand): FindingDraft[] => {
      const packing = hand === 'left' ? packingLeft : packingRight;
      if (packing.mm >= -TOLERANCE_MM) return [];
      const decided = hand === 'left' ? frame.stileLeft : frame.stileRight;
      const wanted = decided.mm - packing.mm;
      const path = settingPath(context, hand === 'left' ? 'frame/stileLeft' : 'frame/stileRight');
      return [
        {
          severity: stop ? 'stop' : 'warn',
          what: `The side stands ${show(-packing.mm)} into the frame opening.`,
          why: `Packing behind the frame comes out negative: ${
            tongue ? "the side's tongue meets the rails" : 'drawers and doors strike the side'
          }. Widen the stile or lessen the overhang.`,
          numbers: [packing],
          parts: [`frame/stile/${hand}`, `side/${hand}`],
          settings: [path],
          fixes: [{ label: `Make the stile ${show(wanted)} wide`, edits: [{ path, value: wanted }] }],
        },
      ];
    });
  },
};

/** A tenon as long as what it enters is wide, or longer: it comes out at the far edge. */
const tenonThroughStile: FindingRule = {
  id: 'carcass/tenon-through-stile',
  check(context) {
    const { parts, resolved, show } = context;
    const { tenon } = resolved.settings.frame;
    const stiles = parts.filter((part) => isFrameStile(part) && part.piece?.where !== 'middle');
    const narrow = stiles.filter(({ width }) => tenon.mm >= width.mm - TOLERANCE_MM);
    const [first] = narrow;
    if (!first) return [];
    const half = Math.floor(first.width.mm / 2);
    return [
      {
        severity: 'stop',
        what: `The tenons of the frame are ${show(tenon.mm)} long and a stile is ${show(first.width.mm)} wide.`,
        why: 'They come out at its outer edge. Make the tenons shorter or the stile wider.',
        numbers: [tenon, first.width],
        parts: narrow.map(({ key }) => key),
        settings: [settingPath(context, 'frame/tenon')],
        fixes: [
          {
            label: `Make the tenons ${show(half)} long`,
            edits: [{ path: settingPath(context, 'frame/tenon'), value: half }],
          },
        ],
      },
    ];
  },
};

/** Solid wood that has to be free to move. */
const solidMoves: FindingRule = {
  id: 'carcass/solid-wood-moves',
  check(context) {
    const { parts, resolved, show } = context;
    const seen = new Set<string>();
    return parts.flatMap((part): FindingDraft[] => {
      if (!['side', 'top', 'bottom', 'partition', 'end'].includes(part.role) || seen.has(part.name.split(',')[0] ?? ''))
        return [];
      const movement = shrinkage(part.width, part.material, resolved.settings);
      if (!movement || movement.mm < MOVES) return [];
      seen.add(part.name.split(',')[0] ?? '');
      return [
        {
          severity: 'note',
          what: `${part.name.split(',')[0]} of ${part.material.name} moves ${show(movement.mm)} across its width of ${show(part.width.mm)}.`,
          why: 'Glue only the front 75 to 100 of what crosses it and let the rear run dry or slotted; fasten a solid top with buttons or slotted holes.',
          numbers: [movement],
          parts: [part.key],
        },
      ];
    });
  },
};

/** An end that meets nothing to be joined to. */
const jointWithoutPartner: FindingRule = {
  id: 'carcass/joint-without-partner',
  check({ joints, parts }) {
    const loose = joints.filter((joint) => seatsOf(joint, parts).length === 0);
    const keys = [...new Set(loose.map((joint) => joint.holds))];
    // A partition's head or foot may butt a frame or stretcher on purpose; only ends of horizontals are meant here.
    const horizontals = keys.filter((key) => loose.some((joint) => joint.holds === key && joint.normal === 'x'));
    if (horizontals.length === 0) return [];
    return [
      {
        severity: 'warn',
        what: `${horizontals.length === 1 ? 'A part ends' : `${horizontals.length} parts end`} where there is no upright to hold ${horizontals.length === 1 ? 'it' : 'them'}.`,
        why: 'The column beside it has no partition. Put one in, or take the divider out.',
        parts: horizontals,
      },
    ];
  },
};

/** A bottom that was to lie under the sides of a box whose sides reach the floor. */
const bottomCannotGoUnder: FindingRule = {
  id: 'carcass/bottom-cannot-go-under',
  check(context) {
    const { box, resolved } = context;
    if (resolved.settings.bottom.place.value !== 'under' || box.floor.mm <= length(0).mm) return [];
    return [
      {
        severity: 'note',
        what: 'The sides reach the floor, so the bottom is put between them.',
        why: 'A bottom under the sides needs a plinth, or the floor, directly below it.',
        settings: [settingPath(context, 'bottom/place')],
        fixes: [setChoice(context, 'Say so', 'bottom/place', 'between')],
      },
    ];
  },
};

/** A web frame too narrow for its own members. */
const webFrameTooSmall: FindingRule = {
  id: 'carcass/web-frame-too-small',
  check({ parts, resolved, show }) {
    const { member, crossMembers } = resolved.settings.web;
    const needed = member.times(crossMembers).as('cross members side by side');
    return parts
      .filter(
        (part) =>
          part.role === 'web' &&
          part.piece?.kind === 'rail' &&
          part.piece.where === 'front' &&
          part.length.mm < needed.mm,
      )
      .map(
        (part): FindingDraft => ({
          severity: 'stop',
          what: `A web frame is ${show(part.length.mm)} wide; its cross members side by side take ${show(needed.mm)}.`,
          why: 'There is no frame left to make. Use fewer or narrower members, or a fixed shelf.',
          numbers: [part.length, needed],
          parts: [part.key],
        }),
      );
  },
};

/** A frame that reaches below the floor, or makes a hanging box taller than was typed. */
const frameBeyondBox: FindingRule = {
  id: 'carcass/frame-beyond-box',
  check(context) {
    const { box, resolved, cabinet, show } = context;
    const { frame } = resolved.settings;
    if (frame.fitted.value !== 'fitted') return [];
    const { foot, height } = frameSizes(box, resolved);
    const hangs = cabinet.kind === 'wall';
    const below = -foot.mm - box.underHeight.mm;
    const path = settingPath(context, 'frame/bottomRail');
    if (!hangs && below > TOLERANCE_MM) {
      const value = frame.bottomRail.mm - below;
      return [
        {
          severity: 'stop',
          what: `The face frame reaches ${show(below)} below the floor.`,
          why: `Its bottom rail ends on the bottom of the box and is wider than the bottom and what is below it are high. Make the rail narrower, or give it a lip above the floor of the box.`,
          numbers: [foot, frame.bottomRail],
          parts: ['frame/rail/bottom', 'frame/stile/left', 'frame/stile/right'],
          settings: [path],
          fixes: value >= 10 ? [{ label: `Make the bottom rail ${show(value)} wide`, edits: [{ path, value }] }] : [],
        },
      ];
    }
    if (!hangs || height.mm <= box.overallHeight.mm + TOLERANCE_MM) return [];
    return [
      {
        severity: 'note',
        what: `With its frame the cabinet is ${show(height.mm)} high; ${show(box.overallHeight.mm)} was typed for the box.`,
        why: `The frame hangs ${show(Math.max(0, -foot.mm))} below the box and rises ${show(frame.rise.mm)} above it. Allow for it where it is hung.`,
        numbers: [height, box.overallHeight],
        parts: ['frame/rail/bottom', 'frame/rail/top'],
        settings: [path],
      },
    ];
  },
};

/** Tenons so long that the grooves for them leave too little of a web frame's rails. */
const webTenonTooLong: FindingRule = {
  id: 'carcass/web-tenon-too-long',
  check(context) {
    const { parts, resolved, show } = context;
    const { member, tenon } = resolved.settings.web;
    const frames = parts.filter(({ role, piece }) => role === 'web' && piece?.kind === 'rail');
    if (frames.length === 0 || tenon.mm <= member.mm / 2) return [];
    const value = Math.floor(member.mm / 3);
    const path = settingPath(context, 'web/tenon');
    return [
      {
        severity: 'stop',
        what: `The web frames' tenons are ${show(tenon.mm)} long, in rails ${show(member.mm)} wide.`,
        why: 'The groove for them leaves less than half of the rail. Make the tenons shorter or the members wider.',
        numbers: [tenon, member],
        parts: frames.map(({ key }) => key),
        settings: [path],
        fixes: [{ label: `Make the tenons ${show(value)} long`, edits: [{ path, value }] }],
      },
    ];
  },
};

export const carcassRules: readonly FindingRule[] = [
  bottomInWithdrawal,
  cutTooDeep,
  visibleFasteners,
  partitionWithoutSupport,
  negativePacking,
  tenonThroughStile,
  solidMoves,
  jointWithoutPartner,
  bottomCannotGoUnder,
  webFrameTooSmall,
  webTenonTooLong,
  frameBeyondBox,
];
