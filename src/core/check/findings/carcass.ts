import { endShows, seatsOf, shrinkage } from '../../build/index.js';
import type { FindingDraft, FindingRule } from '../../cabinet/index.js';
import { setChoice, settingPath } from '../../decisions/index.js';
import { gather, length } from '../../ground/index.js';

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

/** Screws and pockets that would be seen on an exposed end. */
const visibleFasteners: FindingRule = {
  id: 'carcass/visible-fasteners',
  check(context) {
    const { parts, resolved } = context;
    return (['left', 'right'] as const).flatMap((end): FindingDraft[] => {
      if (!endShows(end, resolved)) return [];
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
        const carried = seats.reduce((sum, { depth }) => sum + depth.value, 0);
        const framed = seats.some(({ part: { role } }) => role === 'web');
        if (framed || carried >= part.width.value * 0.6) return [];
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

/** A partition whose head nothing holds. */
const partitionUnderNothing: FindingRule = {
  id: 'carcass/partition-under-nothing',
  check(context) {
    const { joints, parts, resolved } = context;
    return parts
      .filter((part) => part.role === 'partition')
      .flatMap((part): FindingDraft[] => {
        const head = joints.find(({ member }) => member?.key === part.key && member.end === 'u1');
        if (!head || seatsOf(head, parts).length > 0) return [];
        const open = ['none', 'uprightFront'].includes(resolved.settings.top.kind.value);
        return [
          {
            severity: 'stop',
            what: 'A partition has nothing over it to be fastened to.',
            why: 'Its head swings, and what hangs on it with it. Put a top, stretchers or a fixed shelf over it.',
            parts: [part.key],
            ...(open
              ? {
                  settings: [settingPath(context, 'top/kind')],
                  fixes: [
                    setChoice(context, 'Fit stretchers', 'top/kind', 'stretchers'),
                    setChoice(context, 'Fit a full top', 'top/kind', 'full'),
                  ],
                }
              : {}),
          },
        ];
      });
  },
};

/** What has to stay behind and above a notch, or the corner breaks off (mm). */
const LEFT_BEHIND = 40;

/** A notch that takes a part off, or nearly. */
const notchTooLarge: FindingRule = {
  id: 'carcass/notch-too-large',
  check(context) {
    const { parts, show } = context;
    return parts.flatMap((part) =>
      gather(part.machining, (operation): FindingDraft[] => {
        if (operation.kind !== 'notch' || operation.by.kind !== 'toe') return [];
        const behind = part.width.minus(operation.alongWidth).as('left behind the notch');
        const above = part.length.minus(operation.alongLength).as('left above the notch');
        const least = behind.value < above.value ? behind : above;
        if (least.value >= LEFT_BEHIND) return [];
        const path = settingPath(context, behind.value < above.value ? 'toe/setback' : 'toe/height');
        return [
          {
            severity: 'stop',
            what:
              least.value <= 0
                ? `The notch for the toe is as large as the ${part.name.toLowerCase()}: nothing is left of it.`
                : `The notch for the toe leaves ${show(least.value)} of the ${part.name.toLowerCase()}.`,
            why: `At least ${show(LEFT_BEHIND)} has to stay, or the foot breaks off. Set the toe back less, make it lower, or stand the box on a plinth.`,
            numbers: [least, operation.alongWidth, operation.alongLength],
            parts: [part.key],
            settings: [path],
            fixes: [setChoice(context, 'Stand it on a plinth', 'toe/kind', 'plinth')],
          },
        ];
      }),
    );
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
      if (!movement || movement.value < MOVES) return [];
      seen.add(part.name.split(',')[0] ?? '');
      return [
        {
          severity: 'note',
          what: `${part.name.split(',')[0]} of ${part.material.name} moves ${show(movement.value)} across its width of ${show(part.width.value)}.`,
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
    const receiving = parts.filter(({ receives }) => receives);
    const loose = joints.filter((joint) => seatsOf(joint, receiving).length === 0);
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
    if (resolved.settings.bottom.place.value !== 'under' || box.floor.value <= length(0).value) return [];
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

/** A filler too narrow to have a strip behind it. */
const fillerNotHeld: FindingRule = {
  id: 'carcass/filler-not-held',
  check(context) {
    const { parts, resolved, show } = context;
    const strip = resolved.materials.end.thickness;
    const path = settingPath(context, 'ends/scribe');
    return parts
      .filter(
        ({ role, piece, unit }) =>
          role === 'filler' && !piece && !parts.some((part) => part.piece && part.unit === unit),
      )
      .map((filler) => ({
        severity: 'stop',
        what: `The filler is ${show(filler.width.value)} wide, and nothing holds it.`,
        why: `The strip behind it that is screwed to the side is ${show(strip.value)} thick and would be wider than the filler. Make the filler wider, or leave it out and scribe the side.`,
        numbers: [filler.width, strip],
        parts: [filler.key],
        settings: [path],
        fixes: [
          { label: `Make it ${show(Math.ceil(strip.value))} wide`, edits: [{ path, value: Math.ceil(strip.value) }] },
          setChoice(context, 'Leave the filler out', 'ends/filler', 'none'),
        ],
      }));
  },
};

export const carcassRules: readonly FindingRule[] = [
  bottomInWithdrawal,
  visibleFasteners,
  partitionWithoutSupport,
  partitionUnderNothing,
  notchTooLarge,
  solidMoves,
  jointWithoutPartner,
  bottomCannotGoUnder,
  fillerNotHeld,
];
