import type { Resolved } from '../../decisions/index.js';
import { type Dim, diagonal, largest, length } from '../../ground/index.js';
import type { EdgeReference, Fastens, Operation } from '../../part/index.js';
import { shrinkage } from '../carcass/index.js';

/** Which member of a framed front: its outer edge, and how wide what it meets at its ends is. */
export interface Member {
  readonly kind: 'rail' | 'stile';
  /** The edge on the outside of the front; the groove is in the other. */
  readonly outer: 'v0' | 'v1';
  readonly width: Dim;
  readonly meets: Dim;
  /** Keys of what stands at its ends. */
  readonly ends: Readonly<Record<'u0' | 'u1', string>>;
}

/** How deep the groove of a frame is cut: the tenon's length and what is left free below it. */
export function grooveCut({ making }: Resolved['settings']): Dim {
  return making.groove.plus(making.grooveSpare).as('groove as cut');
}

/** From the face of the frame to the groove: in the middle of the thickness, or where it was decided. */
export function grooveInset({ settings, materials }: Resolved): Dim {
  const { making } = settings;
  return making.grooveFrom.value === 'face'
    ? making.grooveInset
    : materials.doorFrame.thickness.minus(materials.doorPanel.thickness).over(2).as('groove from the face');
}

/** Wood between the groove and the back of the frame: the tenons' rear shoulder. */
export function behindGroove(resolved: Resolved): Dim {
  const { doorFrame, doorPanel } = resolved.materials;
  return doorFrame.thickness.minus(grooveInset(resolved)).minus(doorPanel.thickness).as('wood behind the groove');
}

/**
 * What is cut in a member for its panel and its corners. Grooved: a groove as wide as the panel in the inner edge, and
 * on rails a stub tenon as thick as the groove is wide. Mitred: the ends cut to meet, and slots for loose tenons.
 */
export function frameJoinery(member: Member, resolved: Resolved): Operation[] {
  const { settings, materials } = resolved;
  const { making } = settings;
  const inset = grooveInset(resolved);
  const width = materials.doorPanel.thickness.as('groove width');
  const inner: EdgeReference = member.outer === 'v0' ? 'v1' : 'v0';
  const groove: Operation = {
    kind: 'edge groove',
    edge: inner,
    offset: inset,
    width,
    depth: grooveCut(settings),
    reason: making.kind.value === 'stick' ? 'holds the panel and the stub tenons' : 'holds the panel',
    by: { kind: 'front', what: 'groove' },
  };
  if (making.kind.value === 'mitred') return [groove, ...ENDS.flatMap((end) => mitreAt(end, member, resolved))];
  if (member.kind === 'stile') return [groove];
  return [
    groove,
    ...ENDS.map(
      (end): Operation => ({
        kind: 'tenon',
        end,
        length: making.groove,
        offset: inset,
        thickness: width,
        reason: 'stub tenon in the groove of the stile',
        by: { kind: 'front', what: 'tenon' },
      }),
    ),
  ];
}

const ENDS = ['u0', 'u1'] as const;
/** Loose tenons of a mitre stay this far from the outer corner and from the panel's groove (mm). */
const FROM_CORNER = length(8, 'kept from the outer corner');
const FROM_GROOVE = length(3, 'kept from the groove');
/** From this width on a mitre has two (mm). */
const TWO_FROM = 75;

const looseTenon = ({ fasteners }: Resolved['settings']): Fastens => ({
  kind: 'loose tenon',
  use: 'mitres',
  size: { length: fasteners.tenonLength, thickness: fasteners.tenonThickness },
  reach: fasteners.tenonDepth,
});

function mitreAt(end: 'u0' | 'u1', member: Member, resolved: Resolved): Operation[] {
  const { settings, materials } = resolved;
  const { tenonLength, tenonThickness, tenonDepth } = settings.fasteners;
  const shorter = member.meets.as('as much shorter at the inner edge');
  const by = { kind: 'front', what: 'mitre' };
  const places = slotPlaces(member, settings);
  const group = `mitre ${end}`;
  const mitre: Operation = {
    kind: 'mitre',
    end,
    long: member.outer,
    shorter,
    reason: 'meets the next member',
    by,
    group,
  };
  if (places.length === 0) return [mitre];
  return [
    mitre,
    {
      kind: 'mitre slots',
      end,
      long: member.outer,
      shorter,
      positions: places,
      length: tenonLength,
      offset: materials.doorFrame.thickness.over(2).as('middle of the thickness'),
      thickness: tenonThickness,
      depth: tenonDepth,
      reason: 'loose tenons hold the mitre',
      by: { ...by, what: 'mitre tenons' },
      group,
      // One in both: it is told with the rails.
      ...(member.kind === 'rail' ? { fastens: { ...looseTenon(settings), into: member.ends[end] } } : {}),
    },
  ];
}

/**
 * Where loose tenons stand along a mitre, from its outer corner: one, or two in members 75 and wider, between 8 from the
 * outer edges where the slot is deepest and 3 from the floor of the groove. None where there is no room.
 */
export function slotPlaces({ width, meets }: Pick<Member, 'width' | 'meets'>, settings: Resolved['settings']): Dim[] {
  const { tenonLength, tenonDepth } = settings.fasteners;
  const [narrow, wide] = width.value < meets.value ? [width, meets] : [meets, width];
  const along = diagonal(narrow, wide).as('length of the mitre');
  const first = tenonDepth.times(wide).over(narrow).plus(FROM_CORNER).as('first a loose tenon may begin');
  const inside = narrow.minus(grooveCut(settings)).as('member less its groove');
  const last = along.times(inside).over(narrow).minus(FROM_GROOVE).as('last it may end');
  const half = tenonLength.over(2).as('half the loose tenon');
  const room = last.value - first.value;
  const place = (at: Dim) => at.as('loose tenon from the outer corner');
  if (narrow.value >= TWO_FROM && room >= 2 * tenonLength.value + FROM_GROOVE.value)
    return [place(first.plus(half)), place(last.minus(half))];
  return room >= tenonLength.value ? [place(first.plus(last).over(2))] : [];
}

/**
 * Play of the panel across its grain, each edge. Sheet: as decided. Solid: max(least, width × coefficient × expected
 * rise in moisture % / 2), so that it does not burst its frame.
 */
export function playAcross(width: Dim, { settings, materials }: Resolved): Dim {
  const moves = shrinkage(width, materials.doorPanel.material, settings);
  if (!moves) return settings.making.panelPlay;
  return largest(settings.making.solidPlay, moves.over(2)).as('play of the solid panel across its grain, each side');
}
