import { crossMembersIn, frameSizes, keysOf, panelCovered } from '../../build/index.js';
import type { FindingDraft, FindingRule } from '../../cabinet/index.js';
import { setChoice, settingPath } from '../../decisions/index.js';
import { TOLERANCE_MM } from '../../ground/index.js';
import { isFrameStile, meeting } from '../../part/index.js';

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
      if (packing.value >= -TOLERANCE_MM) return [];
      const decided = hand === 'left' ? frame.stileLeft : frame.stileRight;
      // A width that is decided here is no longer made wider by what it covers.
      const wanted = decided.value + (panelCovered(hand, resolved)?.value ?? 0) - packing.value;
      const path = settingPath(context, hand === 'left' ? 'frame/stileLeft' : 'frame/stileRight');
      return [
        {
          severity: stop ? 'stop' : 'warn',
          what: `The side stands ${show(-packing.value)} into the frame opening.`,
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
    const narrow = stiles.filter(({ width }) => tenon.value >= width.value - TOLERANCE_MM);
    const [first] = narrow;
    if (!first) return [];
    const half = Math.floor(first.width.value / 2);
    return [
      {
        severity: 'stop',
        what: `The tenons of the frame are ${show(tenon.value)} long and a stile is ${show(first.width.value)} wide.`,
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

/** A web frame too narrow for its own members. */
const webFrameTooSmall: FindingRule = {
  id: 'carcass/web-frame-too-small',
  check(context) {
    const { parts, resolved, show } = context;
    const { web } = resolved.settings;
    return parts
      .filter((part) => part.role === 'web' && part.piece?.kind === 'rail' && part.piece.where === 'front')
      .flatMap((part): FindingDraft[] => {
        const needed = web.member.times(crossMembersIn(part.length, web)).as('cross members side by side');
        if (part.length.value >= needed.value) return [];
        return [
          {
            severity: 'stop',
            what: `A web frame is ${show(part.length.value)} wide; its cross members side by side take ${show(needed.value)}.`,
            why: 'There is no frame left to make. Use fewer or narrower members, or a fixed shelf.',
            numbers: [part.length, needed],
            parts: [part.key],
            settings: [settingPath(context, 'web/crossMembers'), settingPath(context, 'web/member')],
          },
        ];
      });
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
    const below = -foot.value - box.underHeight.value;
    const path = settingPath(context, 'frame/bottomRail');
    if (!hangs && below > TOLERANCE_MM) {
      const value = frame.bottomRail.value - below;
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
    if (!hangs || height.value <= box.overallHeight.value + TOLERANCE_MM) return [];
    return [
      {
        severity: 'note',
        what: `With its frame the cabinet is ${show(height.value)} high; ${show(box.overallHeight.value)} was typed for the box.`,
        why: `The frame hangs ${show(Math.max(0, -foot.value))} below the box and rises ${show(frame.rise.value)} above it. Allow for it where it is hung.`,
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
    if (frames.length === 0 || tenon.value <= member.value / 2) return [];
    const value = Math.floor(member.value / 3);
    const path = settingPath(context, 'web/tenon');
    return [
      {
        severity: 'stop',
        what: `The web frames' tenons are ${show(tenon.value)} long, in rails ${show(member.value)} wide.`,
        why: 'The groove for them leaves less than half of the rail. Make the tenons shorter or the members wider.',
        numbers: [tenon, member],
        parts: frames.map(({ key }) => key),
        settings: [path],
        fixes: [{ label: `Make the tenons ${show(value)} long`, edits: [{ path, value }] }],
      },
    ];
  },
};

/** An inset front thicker than the frame it closes into: it reaches what stands behind the frame. */
const frontBehindFrame: FindingRule = {
  id: 'fronts/deeper-than-frame',
  check(context) {
    const { box, resolved, fronts, parts, show } = context;
    const { settings, materials } = resolved;
    if (settings.frame.fitted.value !== 'fitted' || settings.fronts.fit.value !== 'inset') return [];
    const over = box.frontThickness.value - materials.frame.thickness.value;
    if (over <= TOLERANCE_MM) return [];
    const behind = parts.filter(({ role }) => role !== 'door' && role !== 'drawer front' && role !== 'frame');
    const struck = fronts.filter((front) =>
      front.parts.some((part) => behind.some((other) => meeting(part.extent, other.extent))),
    );
    if (struck.length === 0) return [];
    return [
      {
        severity: 'stop',
        what: `Inset fronts are ${show(box.frontThickness.value)} thick and the frame ${show(materials.frame.thickness.value)}.`,
        why: `They stand ${show(over)} behind the frame, where shelves and stretchers come up to its back. Make the fronts thinner or the frame of thicker stock.`,
        numbers: [box.frontThickness, materials.frame.thickness],
        parts: struck.flatMap(keysOf),
        settings: [settingPath(context, 'fronts/fit')],
        fixes: [setChoice(context, 'Lay the fronts over the frame', 'fronts/fit', 'overlay')],
      },
    ];
  },
};

/** Face frames and web frames. */
export const frameRules: readonly FindingRule[] = [
  negativePacking,
  tenonThroughStile,
  frameBeyondBox,
  frontBehindFrame,
  webFrameTooSmall,
  webTenonTooLong,
];
