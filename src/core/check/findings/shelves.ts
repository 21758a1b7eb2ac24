import { type LoadedShelf, loadedShelf, longestSpan, pinLines, shelfSag, smallestStrip } from '../../build/index.js';
import type { FindingDraft, FindingRule, RuleContext } from '../../cabinet/index.js';
import {
  type Design,
  type Fill,
  isFill,
  memberIds,
  type Opening,
  ownPathTo,
  type ProposedAct,
  pathTo,
  type Split,
  settingPath,
  thicknessOf,
} from '../../decisions/index.js';
import { type Part, partKeys } from '../../part/index.js';

/** A shelf that hangs more than it may under its load, with the smallest strip that would hold it. */
const sags: FindingRule = {
  id: 'shelves/sags',
  check(context) {
    const { rows, parts, resolved, show } = context;
    return rows.flatMap(({ part, keys }): FindingDraft[] => {
      const shelf = loadedShelf(part, parts, resolved);
      if (!shelf || shelf.span.value <= 0 || shelf.depth.value <= 0) return [];
      const sag = shelfSag(shelf);
      // What reads alike is within the limit.
      if (sag.passes || show(sag.lasting.value) === show(sag.allowed.value)) return [];
      return [
        {
          severity: 'warn',
          what: `${part.name} sags ${show(sag.lasting.value)} in time under ${shelf.load}; ${show(sag.allowed.value)} is allowed.`,
          why: `At this thickness it carries that load up to ${show(longestSpan(shelf))}. A strip at its edge, a thicker board or a partition under it may hold it: the smallest of each that does is offered. Else shorten the span, or carry less.`,
          numbers: [sag.lasting, sag.allowed],
          parts: keys,
          settings: [ownPathTo.setting('shelves/load')],
          fixes: () => remedies(context, part, shelf),
        },
      ];
    });
  },
};

/** The smallest of each remedy that holds the load: a strip, a thicker board the job has, a partition under the middle. */
function remedies(context: RuleContext, part: Part, shelf: LoadedShelf): ProposedAct[] {
  const { head, cabinet, resolved, show } = context;
  const { stripThickness } = resolved.settings.shelves;
  const acts: ProposedAct[] = [];
  const height =
    part.role === 'shelf' ? smallestStrip(shelf, stripThickness, resolved.materials.frame.material) : undefined;
  if (height !== undefined)
    acts.push({
      label: `Glue a strip ${show(height)} high to the front`,
      edits: [{ path: settingPath(context, 'shelves/stripHeight'), value: height }],
    });
  const thicker = head.materials
    .map((material) => ({ material, thickness: thicknessOf(material) }))
    .sort((a, b) => a.thickness.value - b.thickness.value)
    .find(
      ({ material, thickness }) =>
        thickness.value > shelf.thickness.value && shelfSag({ ...shelf, material, thickness }).passes,
    )?.material;
  if (thicker)
    acts.push({
      label: `Make the shelves of ${thicker.name}`,
      edits: [{ path: settingPath(context, 'materials/shelf'), value: thicker.id }],
    });
  const half = shelf.span.minus(resolved.materials.partition.thickness).over(2);
  const bay = context.bays.find(({ room }) => room.id === part.opening);
  const divided = bay && inTwo(bay.room.cell.opening, cabinet);
  if (bay && divided && shelfSag({ ...shelf, span: half }).passes)
    acts.push({
      label: 'Divide the opening with a partition',
      edits: [{ path: pathTo.openingField(bay.room.cell.path, 'fill'), value: divided }],
    });
  return acts;
}

/** What closed an opening closes both halves of it: an open bay two, a pair of doors one door each. */
function inTwo({ id: whole, fill }: Opening, cabinet: Design): Split | undefined {
  // A room that is divided already is divided further by hand.
  if ((!isFill(fill, 'open') && !isFill(fill, 'pair')) || !isFill(fill.interior, 'shelves')) return undefined;
  const taken = new Set(memberIds(cabinet.face));
  const parts = (['left', 'right'] as const).map((hinged): Opening => {
    const id = halfId(whole, hinged, taken);
    const own = fill.interior ? { interior: fill.interior } : {};
    const half: Fill = fill.kind === 'open' ? { kind: 'open', ...own } : { kind: 'door', hinged, ...own };
    return { id, size: { rule: 'share', weight: 1 }, divider: 'partition', fill: half };
  });
  return { kind: 'columns', graduation: cabinet.face.graduation, parts };
}

/** An id for half of an opening, named for it, so that the same fix is the same whoever works it out. */
function halfId(whole: string, side: string, taken: ReadonlySet<string>): string {
  const name = `${whole.slice(0, 32)}-${side}`;
  let id = name;
  for (let more = 2; taken.has(id); more += 1) id = `${name}${more}`;
  return id;
}

/** A shelf whose opening has no hole of the grid to stand in, or not enough of them. */
const noHole: FindingRule = {
  id: 'shelves/no-hole',
  check: ({ bays, grid, resolved }) =>
    bays.flatMap(({ room, places, parity }): FindingDraft[] => {
      const without = places.filter(({ hole }) => hole === undefined).length;
      if (resolved.settings.pins.kind.value === 'none' || without === 0) return [];
      const why = !grid
        ? 'The side is too short for a single hole.'
        : parity === undefined
          ? 'The opening is too low for its shelves on this spacing. Take a shelf out, or space the holes closer.'
          : 'Beside the partition only every other hole can be bored. Bore through it, or take a shelf out.';
      return [
        {
          severity: 'warn',
          what: `${without === 1 ? 'A shelf' : `${without} shelves`} of ${room.name} ${without === 1 ? 'has' : 'have'} no hole to stand in.`,
          why,
          parts: places.flatMap(({ hole }, at) =>
            hole === undefined ? [partKeys.shelf.of({ room: room.id, number: at + 1 })] : [],
          ),
          settings: [ownPathTo.setting('pins/kind')],
          fixes:
            parity === undefined
              ? []
              : [
                  {
                    label: 'Bore through the partition',
                    edits: [{ path: ownPathTo.setting('pins/opposite'), value: 'through' }],
                  },
                ],
        },
      ];
    }),
};

/** An end of a shelf with no upright beside it. */
const noUpright: FindingRule = {
  id: 'shelves/no-support',
  check: ({ bays }) =>
    bays.flatMap(({ room, left, right }): FindingDraft[] => {
      const open = [...(left ? [] : ['left']), ...(right ? [] : ['right'])];
      if (open.length === 0) return [];
      return [
        {
          severity: 'stop',
          what: `The shelves of ${room.name} have nothing to stand on at the ${open.join(' and the ')}.`,
          why: 'No side or partition ends there. Put a partition between the columns, or take the shelves out.',
          settings: [ownPathTo.setting('dividers/partitions')],
          fixes: [
            {
              label: 'Put partitions between the columns',
              edits: [{ path: ownPathTo.setting('dividers/partitions'), value: 'partition' }],
            },
          ],
        },
      ];
    }),
};

/** A shelf on one line of pins tips. */
const oneLine: FindingRule = {
  id: 'shelves/one-line',
  check({ bays, grid, box, resolved, show }) {
    if (bays.length === 0 || !grid) return [];
    const lines = bays.map(({ stopsAt }) => pinLines(box, resolved, grid, stopsAt)).find(({ rear }) => !rear);
    if (!lines) return [];
    return [
      {
        severity: 'stop',
        what: `There is room for one line of pin holes only, ${show(lines.front.value)} from the front, in a clear depth of ${show(box.clearDepth.value)}.`,
        why: 'On one line a shelf tips. Bring the front line forward, or fix the shelves.',
        numbers: [lines.front, box.clearDepth],
        settings: [ownPathTo.setting('pins/front')],
      },
    ];
  },
};

/** Pins stand in a certain depth, and must not come through. */
const pinDepth: FindingRule = {
  id: 'shelves/pin-depth',
  check: ({ bays, resolved, show }) => {
    const { depth, leastDepth } = resolved.settings.pins;
    const uprights = new Set(bays.flatMap(({ left, right }) => [left, right]));
    if (uprights.size === 0 || resolved.settings.pins.kind.value === 'none') return [];
    const path = ownPathTo.setting('pins/depth');
    const thinnest = Math.min(...[...uprights].flatMap((part) => (part ? [part.thickness.value] : [])));
    if (depth.value < leastDepth.value)
      return [
        {
          severity: 'warn',
          what: `The pin holes are ${show(depth.value)} deep; the pins want ${show(leastDepth.value)}.`,
          why: 'A pin that stands too shallow leans and crushes its hole.',
          numbers: [depth, leastDepth],
          settings: [path],
          fixes: [{ label: `Bore ${show(leastDepth.value)} deep`, edits: [{ path, value: leastDepth.value }] }],
        },
      ];
    if (depth.value <= thinnest - LEAST_UNDER_PIN) return [];
    return [
      {
        severity: 'stop',
        what: `The pin holes are ${show(depth.value)} deep in uprights ${show(thinnest)} thick.`,
        why: `At least ${show(LEAST_UNDER_PIN)} has to stay, or the bit comes through.`,
        numbers: [depth],
        settings: [path],
        fixes:
          thinnest - LEAST_UNDER_PIN >= leastDepth.value
            ? [{ label: `Bore ${show(leastDepth.value)} deep`, edits: [{ path, value: leastDepth.value }] }]
            : [],
      },
    ];
  },
};

/** Under a pin hole (mm). */
const LEAST_UNDER_PIN = 2;

/** A shelf that binds between its uprights, or is so narrow that it can come off its pins. */
const tooTight: FindingRule = {
  id: 'shelves/too-tight',
  check({ bays, resolved, show }) {
    const { sidePlay } = resolved.settings.shelves;
    const binds = sidePlay.value < LEAST_PLAY;
    if (bays.length === 0 || (!binds && sidePlay.value <= MOST_PLAY)) return [];
    const path = ownPathTo.setting('shelves/sidePlay');
    return [
      {
        severity: 'warn',
        what: `The shelves have ${show(sidePlay.value)} of play at each end.`,
        why: binds
          ? 'They bind as soon as a side is not dead straight. Leave them a little.'
          : 'They can slip off their pins when the box spreads. Leave them less.',
        numbers: [sidePlay],
        settings: [path],
        fixes: [{ label: `Leave ${show(USUAL_PLAY)}`, edits: [{ path, value: USUAL_PLAY }] }],
      },
    ];
  },
};

/** Play at each end of a shelf (mm). */
const LEAST_PLAY = 0.5;
const MOST_PLAY = 4;
const USUAL_PLAY = 1.5;

export const shelfRules: readonly FindingRule[] = [sags, noHole, noUpright, oneLine, pinDepth, tooTight];
