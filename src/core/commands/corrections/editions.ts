import type { SolvedCabinet } from '../../solve/index.js';

/** The edition of the rules by which cabinets are figured now. It is raised when a correction changes what stored ones come to. */
export const EDITION = 4;

/** A correction of the rules that changes what comes out of decisions that stay as they were. */
export interface Correction {
  /** The first edition it holds in. */
  readonly edition: number;
  /** What is made otherwise now, and why. */
  readonly what: string;
  readonly why: string;
  /** True where it can have changed this cabinet. */
  touches(cabinet: SolvedCabinet): boolean;
}

const has =
  (...roles: readonly string[]) =>
  ({ parts }: SolvedCabinet) =>
    parts.some(({ role }) => roles.includes(role));

/** Every correction since cabinets are stored, oldest first. A new one is one entry here. */
export const corrections: readonly Correction[] = [
  {
    edition: 2,
    what: 'The back, end panels, fillers and what stands below the box are screwed on, and their holes are listed.',
    why: 'They had no fasteners, so a screw that meets a groove or a hinge could be neither drawn nor found.',
    touches: has('back', 'end', 'filler', 'plinth'),
  },
  {
    edition: 2,
    what: 'A toe board between or over notched sides has cleats behind it.',
    why: 'Nothing held it.',
    touches: ({ resolved }) => resolved.settings.toe.kind.value === 'notched',
  },
  {
    edition: 2,
    what: 'An end panel runs to the floor, a toe on legs returns round an exposed end, and both go on to the wall under a filler.',
    why: 'A hole was left beside the toe.',
    touches: has('end', 'filler'),
  },
  {
    edition: 2,
    what: 'Nailers are fastened to sides and top, and partitions, shelves and web frames are notched round them or stop short.',
    why: 'They ran through each other.',
    touches: has('nailer'),
  },
  {
    edition: 2,
    what: 'Two columns on one partition have dowels on its second face, and hinge plates keep clear of each other through it.',
    why: 'Screws and plates from both sides met in the wood.',
    touches: has('partition'),
  },
  {
    edition: 2,
    what: 'A face frame has tenons or pocket screws at every joint, and is pulled to the bottom from below.',
    why: 'Its members had neither.',
    touches: has('frame'),
  },
  {
    edition: 2,
    what: 'Framed doors and fronts have their grooves, tenons and loose tenons, and solid panels their play.',
    why: 'Only their sizes were given.',
    touches: ({ parts }) => parts.some(({ piece }) => piece?.kind === 'panel'),
  },
  {
    edition: 2,
    what: 'Web frames have grooves and tenons, or dowels, and solid panels are left wider for trimming.',
    why: 'Their cross members were held by nothing, and glued-up panels had nothing to trim.',
    touches: ({ parts }) => parts.some(({ role, material }) => role === 'web' || material.form === 'solid'),
  },
  {
    edition: 2,
    what: 'Sheet bottoms, tops and fixed shelves that stop at the back of solid sides are shorter by what these shrink.',
    why: 'Only web frames were; a panel pushes the back off when the sides shrink.',
    touches: ({ parts }) => parts.some(({ role, material }) => role === 'side' && material.form === 'solid'),
  },
  {
    edition: 3,
    what: 'The screws of a framed drawer front stand in its stiles beside the groove of the panel.',
    why: 'They stood in the middle of what laps the box, and met the groove.',
    touches: ({ parts }) => parts.some(({ piece, role }) => piece?.kind === 'stile' && role === 'drawer front'),
  },
  {
    edition: 3,
    what: 'The screws along the edge of a nailer begin beyond those in its ends, in narrow cabinets as well.',
    why: 'Both met in cabinets up to 275 wide.',
    touches: (cabinet) =>
      has('nailer')(cabinet) && cabinet.parts.some(({ role, length }) => role === 'nailer' && length.value <= 250),
  },
  {
    edition: 4,
    what: 'Rows of screws, dowels and pockets stand clear of dadoes, shelf pins, hinge plates and pulls they would have met, as near to their regular places as they can.',
    why: 'They stood at their regular places, or by steps beside them, and such a cabinet could not be made as it was drawn.',
    touches: has('nailer', 'frame', 'drawer box', 'back', 'plinth', 'end', 'filler', 'packing', 'spacer'),
  },
  {
    edition: 4,
    what: 'Where the standard is screws, an exposed end is joined by pocket screws from inside, or by dowels.',
    why: 'Screws through an end that is seen show.',
    touches: ({ resolved: { settings } }) =>
      settings.ends.left.value === 'exposed' || settings.ends.right.value === 'exposed',
  },
  {
    edition: 4,
    what: 'Before an applied end panel the stile of a face frame is wider by the panel.',
    why: 'It took the width out of the opening, and left the side standing in it.',
    touches: (cabinet) => has('frame')(cabinet) && has('end')(cabinet),
  },
  {
    edition: 4,
    what: 'A structural back is of the stock of the nailers, drawers on wooden runners run on web frames, a frame without a toe ends on the floor, the front of a tall pull-out has its grain upright: where nothing else is decided.',
    why: 'What they were by the standard could not be made.',
    touches: ({ resolved: { settings } }) =>
      settings.back.kind.value === 'structural' ||
      settings.drawers.family.value === 'wooden' ||
      settings.drawers.family.value === 'tall' ||
      (settings.frame.fitted.value === 'fitted' && settings.toe.kind.value === 'none'),
  },
  {
    edition: 4,
    what: 'A web frame too narrow for its cross members has fewer, a plinth too shallow for pockets is screwed from behind, a box too low for two nailers has one, hangers keep their corners free of nailers, and a runner beside less than 2 mm of packing has none.',
    why: 'Each stopped a cabinet that is made every day.',
    touches: has('web', 'plinth', 'nailer', 'packing'),
  },
  {
    edition: 4,
    what: 'A door beside a wall is stopped square by a limiter, which is bought, and hinges stand clear of mitres and of each other.',
    why: 'It struck the wall, or its hinges met the joint.',
    touches: ({ fitted }) => fitted.hinges.length > 0,
  },
];
