import { endShows } from '../../build/index.js';
import type { FindingDraft, FindingRule } from '../../cabinet/index.js';
import { CARRYING_BACK, setChoice, settingPath } from '../../decisions/index.js';
import { TOLERANCE_MM } from '../../ground/index.js';
import { overlap } from '../../part/index.js';

/** Material that has to stay beside a groove (mm). */
const LEAST_BESIDE_GROOVE = 5;

/** A wall cabinet hangs through its nailers, or through a back thick enough. */
const wallWithoutNailer: FindingRule = {
  id: 'carcass/wall-without-nailer',
  check(context) {
    const { cabinet, parts, resolved, show } = context;
    if (cabinet.kind !== 'wall' || parts.some((part) => part.role === 'nailer')) return [];
    // Hangers hold it by its sides.
    if (context.hung) return [];
    const back = resolved.materials.back.thickness;
    if (resolved.settings.back.kind.value !== 'none' && back.value >= CARRYING_BACK) return [];
    return [
      {
        severity: 'stop',
        what: `The wall cabinet has no nailer and its back is ${resolved.settings.back.kind.value === 'none' ? 'missing' : show(back.value)}.`,
        why: `It would hang by a back under ${show(CARRYING_BACK)}. Hanging screws go through a nailer fixed to both sides, into structure, with rated fixings; local practice decides which.`,
        numbers: [back],
        settings: [settingPath(context, 'nailer/rails')],
        fixes: [
          setChoice(context, 'Put nailers in', 'nailer/rails', 'standard'),
          {
            label: 'Groove the back in, with nailers behind it',
            edits: [
              { path: settingPath(context, 'back/kind'), value: 'grooved' },
              { path: settingPath(context, 'back/offsetFrom'), value: 'nailer' },
              { path: settingPath(context, 'nailer/rails'), value: 'standard' },
            ],
          },
        ],
      },
    ];
  },
};

/** What stays between the back groove and the rear edge. */
const grooveNearEdge: FindingRule = {
  id: 'carcass/groove-near-edge',
  check(context) {
    const { box, resolved, show } = context;
    if (resolved.settings.back.kind.value !== 'grooved' || box.grooveOffset.value >= LEAST_BESIDE_GROOVE) return [];
    return [
      {
        severity: 'warn',
        what: `Only ${show(box.grooveOffset.value)} stays behind the back groove.`,
        why: `Less than ${show(LEAST_BESIDE_GROOVE)} breaks out when the back is driven home. A rabbet would take the back at the edge.`,
        numbers: [box.grooveOffset],
        parts: ['side/left', 'side/right'],
        settings: [settingPath(context, 'back/offset')],
        fixes: [setChoice(context, 'Take the back in a rabbet', 'back/kind', 'rabbeted')],
      },
    ];
  },
};

/** A nailer behind the back needs the room behind the groove. */
const nailerDoesNotFit: FindingRule = {
  id: 'carcass/nailer-does-not-fit',
  check(context) {
    const { box, parts, resolved, show } = context;
    const nailer = parts.find((part) => part.role === 'nailer');
    if (
      !nailer ||
      resolved.settings.back.kind.value !== 'grooved' ||
      nailer.thickness.value <= box.grooveOffset.value + TOLERANCE_MM
    )
      return [];
    return [
      {
        severity: 'stop',
        what: `The nailer is ${show(nailer.thickness.value)} thick and ${show(box.grooveOffset.value)} stays behind the back.`,
        why: 'It would stand out behind the sides and hold the cabinet off the wall.',
        numbers: [nailer.thickness, box.grooveOffset],
        parts: [nailer.key],
        settings: [settingPath(context, 'back/offsetFrom')],
        fixes: [setChoice(context, 'Set the groove one nailer from the rear', 'back/offsetFrom', 'nailer')],
      },
    ];
  },
};

/** An edge of the back that neither groove, rabbet nor nailer holds. */
const backNotHeld: FindingRule = {
  id: 'carcass/back-not-held',
  check(context) {
    const { resolved, parts } = context;
    const { back, top } = resolved.settings;
    if (back.kind.value !== 'grooved') return [];
    const openTop = top.kind.value !== 'full';
    const held = parts.some(
      (part) => part.key === 'nailer/high' || part.key === 'stretcher/rear' || part.key === 'web/top/rail/rear',
    );
    if (!openTop || held) return [];
    return [
      {
        severity: 'warn',
        what: 'Nothing holds the upper edge of the back.',
        why: 'It sits in grooves at the sides only and will buckle and rattle. A nailer or a rear stretcher holds it.',
        parts: ['back'],
        fixes: [setChoice(context, 'Put nailers in', 'nailer/rails', 'standard')],
      },
    ];
  },
};

/** A back that does not go into what is cut for it, or is not held there. */
const backDoesNotFit: FindingRule = {
  id: 'carcass/back-does-not-fit',
  check(context) {
    const { box, resolved, show } = context;
    const { back } = resolved.settings;
    const { thickness } = resolved.materials.back;
    if (back.kind.value !== 'grooved') return [];
    const findings: FindingDraft[] = [];
    if (thickness.value > box.grooveWidth.value + TOLERANCE_MM)
      findings.push({
        severity: 'stop',
        what: `The back is ${show(thickness.value)} thick and its groove ${show(box.grooveWidth.value)} wide.`,
        why: 'It does not go in. Cut the groove to fit the panel, or take another cutter.',
        numbers: [thickness, box.grooveWidth],
        parts: ['back'],
        settings: [settingPath(context, 'back/cut'), settingPath(context, 'back/cutter')],
        fixes: [setChoice(context, 'Cut the groove to fit the panel', 'back/cut', 'panel')],
      });
    if (box.backHold.value <= LEAST_HOLD) {
      const path = settingPath(context, 'back/ease');
      findings.push({
        severity: 'stop',
        what: `The back enters its grooves by ${show(box.backHold.value)}.`,
        why: `The grooves are ${show(back.grooveDepth.value)} deep and the ease takes ${show(back.ease.value)} of that at each edge; nothing holds the back. Ease it less, or cut deeper.`,
        numbers: [back.grooveDepth, back.ease],
        parts: ['back'],
        settings: [path],
        fixes: back.grooveDepth.value > 3 ? [{ label: `Ease it by ${show(0.5)}`, edits: [{ path, value: 0.5 }] }] : [],
      });
    }
    return findings;
  },
};

/** A back held by less than this falls out (mm). */
const LEAST_HOLD = 1;

/** A box needs a back, or rails, to stay square. */
const racks: FindingRule = {
  id: 'carcass/racks',
  check(context) {
    const { parts, resolved } = context;
    if (resolved.settings.back.kind.value !== 'none') return [];
    const rear = parts.some((part) => part.role === 'nailer' || part.key === 'stretcher/rear');
    return [
      rear
        ? {
            severity: 'note',
            what: 'The box has no back; its rails alone keep it square.',
            why: 'Brace it until it is fixed in place.',
          }
        : {
            severity: 'stop',
            what: 'The box has neither back nor rails at the rear.',
            why: 'It racks: nothing keeps it square once it is lifted. Put a back or nailers in.',
            settings: [settingPath(context, 'back/kind')],
            fixes: [
              setChoice(context, 'Put nailers in', 'nailer/rails', 'standard'),
              setChoice(context, 'Groove a back in', 'back/kind', 'grooved'),
            ],
          },
    ];
  },
};

/** A back whose edge shows on an exposed end. */
const backEdgeShows: FindingRule = {
  id: 'carcass/back-edge-shows',
  check(context) {
    const { resolved } = context;
    const { back } = resolved.settings;
    const shown = (['left', 'right'] as const).filter((end) => endShows(end, resolved));
    if (back.kind.value !== 'applied' || shown.length === 0) return [];
    return [
      {
        severity: 'note',
        what: `The edge of the applied back shows on the exposed ${shown.join(' and ')} end.`,
        why: 'A rabbet or a groove in the side hides it.',
        parts: ['back'],
        fixes: [setChoice(context, 'Take the back in a rabbet', 'back/kind', 'rabbeted')],
      },
    ];
  },
};

/** Nailers so wide that one runs into the next. */
const nailersMeet: FindingRule = {
  id: 'carcass/nailers-meet',
  check(context) {
    const { parts, show } = context;
    const nailers = parts.filter(({ role }) => role === 'nailer');
    const meeting = nailers.filter((nailer, at) =>
      nailers.slice(at + 1).some((other) => overlap(nailer.extent, other.extent)),
    );
    const [first] = meeting;
    if (!first) return [];
    return [
      {
        severity: 'stop',
        what: `The nailers are ${show(first.width.value)} wide and run into each other.`,
        why: 'The height behind the back has no room for so many of that width. Make them narrower, or fit one.',
        numbers: [first.width],
        parts: nailers.map(({ key }) => key),
        settings: [settingPath(context, 'nailer/width'), settingPath(context, 'nailer/rails')],
      },
    ];
  },
};

export const backRules: readonly FindingRule[] = [
  nailersMeet,
  wallWithoutNailer,
  grooveNearEdge,
  nailerDoesNotFit,
  backNotHeld,
  backDoesNotFit,
  racks,
  backEdgeShows,
];
