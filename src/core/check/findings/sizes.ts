import { frameSizes, LEAST_MEMBER, openingNames } from '../../build/index.js';
import type { FindingDraft, FindingRule, RuleContext } from '../../cabinet/index.js';
import {
  isSplit,
  type Opening,
  type OwnPath,
  ownPathTo,
  pathTo,
  type Split,
  settingPath,
} from '../../decisions/index.js';
import { capital, type Dim, diagonal, largest, length, setting, TOLERANCE_MM } from '../../ground/index.js';
import { lettingGo } from './lettingGo.js';

/** Any part whose length or width is nothing or less. */
const partVanishes: FindingRule = {
  id: 'sizes/part-vanishes',
  check: ({ rows, show }) =>
    rows.flatMap((row): FindingDraft[] => {
      const { part } = row;
      const gone = [part.cutLength, part.cutWidth, part.thickness].filter((size) => size.value <= TOLERANCE_MM);
      if (gone.length === 0) return [];
      return [
        {
          severity: 'stop',
          what: `${part.name} comes out at ${show(part.cutLength.value)} by ${show(part.cutWidth.value)}, ${show(part.thickness.value)} thick.`,
          why: 'The sizes around it leave nothing for it: the overall size, a reveal or a thickness is too large or too small for the others.',
          numbers: gone,
          parts: row.keys,
        },
      ];
    }),
};

/** Decided sizes in the stack that take more, or less, than there is. */
const stackDoesNotClose: FindingRule = {
  id: 'sizes/stack-does-not-close',
  refuses: true,
  check({ face, cabinet, show, resolved }) {
    if (face.ok) return [];
    const { kind, by, decided, available } = face.refusal;
    const names = openingNames(cabinet.face, resolved.fills);
    const over = kind === 'over';
    return [
      {
        severity: 'stop',
        what: over
          ? `The sizes decided on the face need ${show(by)} more than there is.`
          : `The sizes decided on the face leave ${show(by)} that belongs to nothing.`,
        why: over
          ? `${show(decided.value)} of ${show(available.value)} is decided, and whatever is free needs at least ${show(LEAST_MEMBER)}. Make a decided size smaller, let one go, or make the box larger.`
          : 'Every size is decided, so nothing can take up what is left. Let one of them take what is left.',
        numbers: [decided, available],
        refuses: true,
        settings: [face.path],
        fixes: lettingGo(splitAt(cabinet.face, face.path, ownPathTo.face), face.path, (id) => names.get(id)),
      },
    ];
  },
};

/** The members of the split that lies at a path. */
function splitAt(split: Split, wanted: OwnPath, path: OwnPath): readonly Opening[] {
  if (wanted === path) return split.parts;
  return split.parts.flatMap((opening) =>
    isSplit(opening.fill)
      ? splitAt(opening.fill, wanted, pathTo.openingField(pathTo.opening(path, opening.id), 'fill'))
      : [],
  );
}

/** A cabinet that cannot be brought into the room or stood up in it. */
const throughTheDoor: FindingRule = {
  id: 'sizes/into-the-room',
  check(context) {
    const { head, show } = context;
    const { ceiling, doorway } = head.room;
    const moved = sizeAsMoved(context);
    const findings: FindingDraft[] = [];
    const smallestSide = Math.min(moved.height.value, moved.depth.value, context.box.overallWidth.value);
    if (doorway !== null && smallestSide > doorway)
      findings.push({
        severity: 'stop',
        what: `No side of the box is under the doorway's ${show(doorway)}.`,
        why: 'It cannot be carried into the room in one piece.',
        numbers: [moved.height, moved.depth, context.box.overallWidth],
      });
    else if (doorway !== null && moved.height.value > doorway)
      findings.push({
        severity: 'note',
        what: `The box is ${show(moved.height.value)} high and the doorway ${show(doorway)}.`,
        why: 'It has to come through lying down, and be stood up inside.',
        numbers: [moved.height],
      });
    if (ceiling !== null && context.cabinet.kind !== 'wall') {
      const tip = diagonal(moved.height, moved.depth).as('tip-up diagonal');
      if (tip.value > ceiling + TOLERANCE_MM)
        findings.push({
          severity: 'stop',
          what: `Stood up in the room the box needs ${show(tip.value)}; the ceiling is at ${show(ceiling)}.`,
          why: 'Its diagonal from lower rear to upper front swings past the ceiling. Lower it, split it, or raise the plinth and lower the box.',
          numbers: [tip, setting('ceiling height', ceiling, { kind: 'job', path: 'room/ceiling' })],
          settings: [pathTo.room('ceiling')],
        });
    }
    return findings;
  },
};

/** The box as it is carried: a separate plinth comes on its own; legs and frame stay on. */
function sizeAsMoved({ box, resolved }: RuleContext): { height: Dim; depth: Dim } {
  const { toe, frame, back } = resolved.settings;
  // From the lower of legs and frame to the upper of box and frame.
  const { foot, height } = frameSizes(box, resolved);
  const framed = frame.fitted.value === 'fitted';
  const legs = toe.kind.value === 'legs' ? box.underHeight : length(0, 'nothing below the box');
  const below = framed && -foot.value > legs.value ? length(0).minus(foot).as('frame below the box') : legs;
  const upper = framed ? largest(box.height, foot.plus(height).as('upper end of the frame')) : box.height;
  let depth = box.sideDepth;
  if (framed) depth = depth.plus(resolved.materials.frame.thickness);
  if (back.kind.value === 'applied') depth = depth.plus(resolved.materials.back.thickness);
  return {
    height: (below.value > 0 ? upper.plus(below) : upper).as('height as moved'),
    depth: depth.as('depth as moved'),
  };
}

/** Outside what the shop usually builds. */
const outsideUsual: FindingRule = {
  id: 'sizes/outside-usual',
  check({ resolved, box, show }) {
    const { usual } = resolved.settings;
    const sizes = [
      { size: box.overallWidth, range: usual.width, name: 'wide', path: 'size/width' },
      { size: box.overallHeight, range: usual.height, name: 'high', path: 'size/height' },
      { size: box.overallDepth, range: usual.depth, name: 'deep', path: 'size/depth' },
    ] as const;
    return sizes.flatMap(({ size, range, name, path }): FindingDraft[] => {
      const { least, most } = range;
      if (size.value >= least.value - TOLERANCE_MM && size.value <= most.value + TOLERANCE_MM) return [];
      return [
        {
          severity: 'note',
          what: `The cabinet is ${show(size.value)} ${name}; the shop usually builds ${show(least.value)} to ${show(most.value)}.`,
          why: 'A size outside the usual range is more often a slip of the pencil than a wish.',
          numbers: [size, least, most],
          settings: [ownPathTo.field(path)],
        },
      ];
    });
  },
};

/** The front, the back and what lies behind it leave no room inside. */
const clearDepthGone: FindingRule = {
  id: 'sizes/no-clear-depth',
  check({ box, show }) {
    if (box.clearDepth.value > LEAST_CLEAR_DEPTH) return [];
    return [
      {
        severity: 'stop',
        what: `The clear depth inside is ${show(box.clearDepth.value)}.`,
        why: 'The front, the back and what lies behind it take up nearly all the depth.',
        numbers: [box.clearDepth],
        parts: ['back'],
      },
    ];
  },
};

/** Less than this inside is no cabinet (mm). */
const LEAST_CLEAR_DEPTH = 20;

/** An opening that its surroundings leave no room for. */
const openingGone: FindingRule = {
  id: 'sizes/opening-gone',
  check: ({ face, show }) =>
    face.ok
      ? face.cells.flatMap((cell): FindingDraft[] => {
          const gone = [cell.clear.h.size, cell.clear.v.size, cell.inside.h.size, cell.inside.v.size].filter(
            ({ value: mm }) => mm <= TOLERANCE_MM,
          );
          const [first] = gone;
          if (!first) return [];
          return [
            {
              severity: 'stop',
              what: `${capital(cell.name)} has an opening of ${show(first.value)}.`,
              why: 'Decided sizes and what stands between the openings leave it nothing. Let one of the sizes go, or make it smaller.',
              numbers: gone,
              settings: [cell.path],
            },
          ];
        })
      : [],
};

/** What stands beside a base cabinet is higher than its worktop will be. */
const worktopBelowNeighbour: FindingRule = {
  id: 'sizes/worktop-below-appliance',
  check(context) {
    const { box, cabinet, resolved, show } = context;
    if (cabinet.kind !== 'base') return [];
    const { worktop } = resolved.settings;
    const finished = box.overallHeight.plus(worktop.thickness).as('finished worktop height');
    return (['left', 'right'] as const).flatMap((end): FindingDraft[] => {
      const { high: beside } = resolved.given[end];
      // What towers over it is a tall cabinet or a wall, and meant to.
      if (beside.value <= finished.value + TOLERANCE_MM || beside.value > finished.value + APPLIANCE) return [];
      return [
        {
          severity: 'warn',
          what: `What stands beside the ${end} end is ${show(beside.value)} high, the worktop ${show(finished.value)}.`,
          why: 'The worktop cannot run over it. Make the box higher, or end the worktop there.',
          numbers: [finished, beside],
          settings: [settingPath(context, `ends/${end}High`)],
        },
      ];
    });
  },
};

/** More than this above the worktop is no appliance that was to go under it (mm). */
const APPLIANCE = 150;

export const sizeRules: readonly FindingRule[] = [
  partVanishes,
  stackDoesNotClose,
  throughTheDoor,
  outsideUsual,
  clearDepthGone,
  openingGone,
  worktopBelowNeighbour,
];
