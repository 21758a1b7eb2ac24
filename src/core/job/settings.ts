import { z } from 'zod';
import {
  choiceField,
  countField,
  type DeepPartial,
  lengthField,
  nameField,
  overridesOf,
  shareField,
} from './fields.js';

const JOINTS = {
  screws: 'butt, screwed through',
  pocket: 'butt, pocket screws',
  dowels: 'butt, dowels',
  tenons: 'butt, loose tenons',
  dado: 'dado',
} as const;
const END_JOINTS = { ...JOINTS, rabbet: 'rabbet' } as const;
export type JointKind = keyof typeof END_JOINTS;

const END_KINDS = { neighbour: 'a neighbour', exposed: 'exposed', wall: 'a wall' } as const;
export type EndKind = keyof typeof END_KINDS;

const END_PANEL = { none: 'none', applied: 'applied' } as const;
const DIVIDERS = {
  stretcher: 'a flat stretcher',
  shelf: 'a fixed shelf',
  web: 'a web frame',
  none: 'nothing',
} as const;

/**
 * Everything a shop decides once and changes now and then: the house standards. A job may override any of them, and
 * so may a single cabinet. Grouped in working order.
 */
export const settingsSchema = z.strictObject({
  school: choiceField('construction', {
    frameless: 'frameless',
    faceFrame: 'face frame',
    traditional: 'traditional casework',
  }),
  depth: z.strictObject({
    means: choiceField('overall depth runs to', {
      carcass: 'the front of carcass or frame',
      fronts: 'the face of the fronts',
    }),
    bumper: lengthField('bumper gap behind the fronts', { max: 20 }),
  }),
  worktop: z.strictObject({ thickness: lengthField('worktop thickness', { max: 200 }) }),
  ends: z.strictObject({
    left: choiceField('left end stands against', END_KINDS),
    right: choiceField('right end stands against', END_KINDS),
    leftPanel: choiceField('left end panel', END_PANEL),
    rightPanel: choiceField('right end panel', END_PANEL),
    filler: choiceField(
      'filler at a wall',
      { none: 'none', strip: 'strip' },
      'A strip beside the box is scribed to the wall and takes the scribe allowance out of the overall width; a frame carries it as a wider stile.',
    ),
    scribe: lengthField('scribe allowance', { max: 200 }),
    leftClear: lengthField('from the left end to what stands beside it', { max: 3000 }),
    rightClear: lengthField('from the right end to what stands beside it', { max: 3000 }),
  }),
  bottom: z.strictObject({
    place: choiceField(
      'bottom',
      { between: 'between the sides', under: 'under the sides' },
      'Between: load in shear, end grain hidden. Under: quick to square, but only where plinth or floor carries the bottom.',
    ),
  }),
  top: z.strictObject({
    kind: choiceField(
      'top',
      {
        full: 'full panel',
        stretchers: 'two flat stretchers',
        uprightRear: 'flat front, upright rear stretcher',
        uprightFront: 'upright front stretcher, for a sink',
        web: 'web frame',
        none: 'none, fitted on site',
      },
      'A full panel is stiffest and shows. Stretchers save sheet and leave room to screw the worktop from below. A web frame lets a solid top move.',
    ),
    place: choiceField('full top', { between: 'between the sides', over: 'over the sides' }),
    stretcherWidth: lengthField('stretcher width', { min: 20, max: 400 }),
    recess: lengthField('top set down by', { max: 300 }),
  }),
  joints: z.strictObject({
    bottom: choiceField(
      'bottom joint',
      END_JOINTS,
      'Butt joints keep the bottom at the inside width. A dado or rabbet lengthens it by the depth at each end and carries the load.',
    ),
    top: choiceField('top joint', END_JOINTS),
    shelf: choiceField('fixed shelf and frame joint', JOINTS),
    partition: choiceField('partition joint', JOINTS),
    dadoDepth: lengthField('dado depth', { min: 1, max: 30 }),
    rabbetDepth: lengthField('rabbet depth', { min: 1, max: 30 }),
  }),
  fasteners: z.strictObject({
    first: lengthField('first screw from an edge', { min: 10, max: 200 }),
    spacing: lengthField('screws at most apart', { min: 40, max: 600 }),
    pilot: lengthField('screw hole', { min: 1, max: 12 }),
    pocketSpacing: lengthField('pocket screws at most apart', { min: 40, max: 400 }),
    dowel: lengthField('dowel diameter', { min: 3, max: 20 }),
    dowelInFace: lengthField('dowel depth in a face', { min: 3, max: 40 }),
    dowelInEnd: lengthField('dowel depth in an end', { min: 5, max: 60 }),
    tenonLength: lengthField('loose tenon width', { min: 5, max: 60 }),
    tenonThickness: lengthField('loose tenon thickness', { min: 3, max: 20 }),
    tenonDepth: lengthField('loose tenon depth in each part', { min: 3, max: 60 }),
    screwLength: lengthField('screw length', { min: 10, max: 150 }),
    pocketReach: lengthField('pocket screw into the next part', { min: 4, max: 60 }),
  }),
  back: z.strictObject({
    kind: choiceField(
      'back',
      {
        grooved: 'in a groove',
        rabbeted: 'in a rabbet',
        applied: 'applied',
        structural: 'structural, inside',
        none: 'none',
      },
      'A groove hides the edge and leaves room for a nailer behind. A rabbet gains depth. Applied is quickest and shows at the ends. A structural back squares and hangs the box on its own.',
    ),
    grooveDepth: lengthField('back groove depth', { min: 1, max: 30 }),
    ease: lengthField('back ease per captured edge', { max: 5 }),
    slip: lengthField('slip in the back groove', { max: 3 }),
    cut: choiceField('groove is cut', { panel: 'to fit the panel', cutter: 'with one cutter' }),
    cutter: lengthField('groove cutter width', { min: 1, max: 30 }),
    offsetFrom: choiceField('back groove stands', {
      nailer: 'one nailer thickness from the rear',
      set: 'at a set distance from the rear',
    }),
    offset: lengthField('back groove from the rear edge', { max: 200 }),
    bottomEdge: choiceField('lower edge of the back', {
      captured: 'in the bottom',
      past: 'runs past a shortened bottom',
    }),
    rabbetDepth: lengthField('back rabbet depth', { min: 1, max: 30 }),
    inset: lengthField('applied back set in by', { max: 20 }),
  }),
  nailer: z.strictObject({
    rails: choiceField('nailers', { standard: 'where the kind needs them', none: 'none' }),
    width: lengthField('nailer width', { min: 20, max: 400 }),
  }),
  toe: z.strictObject({
    kind: choiceField(
      'toe',
      {
        none: 'none',
        plinth: 'separate plinth',
        notched: 'notched sides',
        legs: 'legs',
        standing: 'sides stand on the floor',
      },
      'A plinth is levelled on its own. Notched sides make toe and box one piece. Legs adjust after setting.',
    ),
    board: choiceField('toe board', { over: 'over the sides', between: 'between the sides' }),
    height: lengthField('toe height', { max: 400 }),
    setback: lengthField('toe setback', { max: 300 }),
    rearSetback: lengthField('plinth rear setback', { max: 300 }),
  }),
  frame: z.strictObject({
    fitted: choiceField(
      'face frame',
      { none: 'none', fitted: 'fitted' },
      'A frame stiffens the front, scribes to walls and hides the case edges; it costs opening width and needs packing behind it for slides.',
    ),
    stileLeft: lengthField('left stile', { min: 10, max: 300 }),
    stileRight: lengthField('right stile', { min: 10, max: 300 }),
    topRail: lengthField('top rail', { min: 10, max: 300 }),
    midRail: lengthField('middle rails', { min: 10, max: 300 }),
    midStile: lengthField('middle stiles', { min: 10, max: 300 }),
    bottomRail: lengthField('bottom rail', { min: 10, max: 300 }),
    lip: lengthField('bottom rail above the floor of the box', { max: 100 }),
    rise: lengthField('frame above the box', { max: 200 }),
    tenon: lengthField('rail tenon', { max: 60 }),
    overhangExposed: lengthField('frame overhang, exposed end', { max: 60 }),
    overhangNeighbour: lengthField('frame overhang, neighbour', { max: 60 }),
    overlay: lengthField('front overlay on the frame', { max: 60 }),
    attachment: choiceField('frame is fixed with', { pocket: 'pocket screws', tongue: 'a tongue on the sides' }),
    tongue: lengthField('tongue length', { max: 30 }),
  }),
  web: z.strictObject({
    member: lengthField('web frame member width', { min: 20, max: 300 }),
    crossMembers: countField('web frame cross members', 2, 12),
    tenon: lengthField('web frame tenon', { max: 60 }),
    allowance: lengthField('trimming allowance', { max: 40 }),
  }),
  fronts: z.strictObject({
    lay: choiceField(
      'the face is divided by',
      { fronts: 'fronts first', openings: 'openings first' },
      'Fronts first: sizes are faces and dividers go behind the gaps. Openings first: sizes are clear openings and faces follow.',
    ),
    reveal: z.strictObject({
      left: lengthField('left reveal', { max: 100 }),
      right: lengthField('right reveal', { max: 100 }),
      top: lengthField('top reveal', { max: 100 }),
      bottom: lengthField('bottom reveal', { max: 100 }),
    }),
    gap: lengthField('gap between fronts', { max: 50 }),
    atNeighbour: choiceField(
      'reveal beside a neighbour',
      { own: 'its own reveal', half: 'half the gap' },
      'Half the gap makes the fronts of a run look as if one box carried them all. Its own reveal keeps every box the same wherever it ends up.',
    ),
    fit: choiceField(
      'fronts lie',
      { overlay: 'over the case', inset: 'in the opening', lipped: 'lipped over it' },
      'Overlay is forgiving and hides the case edge. Inset shows every gap and needs a stop. A lip hides the gap but is one more cut on every front.',
    ),
    stops: choiceField('stops for inset fronts', { fitted: 'fitted', none: 'none' }),
    lip: lengthField('lip over the opening', { max: 40 }),
    rebateWidth: lengthField('rebate width on the front', { max: 60 }),
    rebateDepth: lengthField('rebate depth on the front', { max: 40 }),
    doorGrain: choiceField('door grain', { up: 'upright', across: 'across' }),
    drawerGrain: choiceField('drawer front grain', { up: 'upright', across: 'across' }),
    grainRuns: choiceField(
      'grain runs on from front to front',
      { none: 'no', columns: 'up each column', rows: 'along each row', face: 'over the whole face' },
      'Fronts of a group come out of one blank in the order in which they hang, all with the grain of the doors.',
    ),
    sawCut: lengthField('saw cut between fronts of one blank', { max: 12 }),
  }),
  making: z.strictObject({
    kind: choiceField(
      'fronts are made as',
      { slab: 'slabs', stick: 'frames, grooved', mitred: 'frames, mitred', trim: 'slabs with trim' },
      'A slab is one piece. A grooved frame with stub tenons is quick on one cutter. Mitres hide end grain and want loose tenons. Applied trim gives the look of a frame on a slab.',
    ),
    drawers: choiceField('drawer fronts are', { likeDoors: 'made like the doors', slab: 'slabs' }),
    stile: lengthField('stile of a front', { min: 15, max: 200 }),
    rail: lengthField('rail of a front', { min: 15, max: 200 }),
    narrowRail: lengthField('narrow rail of a low front', { min: 10, max: 200 }),
    slabBelow: lengthField('a slab up to this height', { max: 600 }),
    narrowBelow: lengthField('narrow rails up to this height', { max: 900 }),
    groove: lengthField('groove in the frame', { min: 3, max: 25 }),
    panelPlay: lengthField('panel play each side', { max: 6 }),
    trimThickness: lengthField('trim thickness', { min: 2, max: 25 }),
  }),
  hinges: z.strictObject({
    family: choiceField(
      'hinges',
      {
        any: 'whatever the library has',
        concealed: 'concealed, two-piece',
        compact: 'concealed, compact for frames',
        semi: 'semi-concealed',
        noMortise: 'butt, no mortise',
        butt: 'butt, mortised',
        none: 'not figured here',
      },
      'Concealed hinges adjust and vanish. Butts show a knuckle, want accurate fitting and last for ever; without a mortise they set the gap themselves.',
    ),
    opening: shareField('doors open at least, degrees', 60, 180),
    stopAt: shareField('doors are stopped at, degrees', 60, 180),
    closing: choiceField('doors close', { any: 'either way', damped: 'damped', snap: 'with a snap', free: 'free' }),
    endDistance: lengthField('first hinge from the end of the door', { min: 40, max: 400 }),
    leafPlace: choiceField('butt hinges stand', {
      length: 'their own length from the ends',
      rails: "in line with the rails' inner edges",
    }),
    snap: choiceField(
      'concealed hinges stand',
      { grid: 'on the pin grid', free: 'where they fall' },
      'On the grid the plates use the holes that are bored anyway, and never stand in a pin hole by half.',
    ),
    choice: nameField('hinge chosen'),
  }),
  pulls: z.strictObject({
    doors: nameField('pull on doors'),
    drawers: nameField('pull on drawers'),
    fromEnd: lengthField('pull from the corner of a door', { min: 5, max: 600 }),
    fromEdge: lengthField('pull from the opening edge of a door', { min: 5, max: 300 }),
    drawerPlace: choiceField('drawer pulls stand', { middle: 'in the middle of the front', rail: 'on the top rail' }),
    twoOver: lengthField('two pulls on drawers wider than', { min: 100, max: 3000 }),
    reach: lengthField('pulls of tall doors above the floor', { min: 300, max: 1800 }),
  }),
  drawers: z.strictObject({
    runnerThickness: lengthField('side runner thickness', { max: 40 }),
    runnerPlay: lengthField('play beside the runners, in all', { max: 6 }),
    boxSide: lengthField('drawer side thickness', { min: 3, max: 40 }),
  }),
  dividers: z.strictObject({
    betweenFronts: choiceField('behind a gap between fronts', DIVIDERS),
    atOpenBay: choiceField('beside an open bay', DIVIDERS),
    partitions: choiceField('between columns', { partition: 'a partition', none: 'nothing' }),
  }),
  banding: z.strictObject({
    frontEdges: choiceField('bands on fronts', { all: 'all four edges', none: 'none' }),
    frontThickness: lengthField('front band thickness', { max: 10 }),
    caseEdges: choiceField('bands on the case', { front: 'front edges', none: 'none' }),
    caseThickness: lengthField('case band thickness', { max: 10 }),
  }),
  shelves: z.strictObject({
    sidePlay: lengthField('shelf play each side', { max: 20 }),
    frontSetback: lengthField('shelf front setback', { max: 200 }),
    rearPlay: lengthField('shelf rear play', { max: 50 }),
    load: choiceField('shelves carry', {
      clothes: 'clothes',
      kitchen: 'kitchen things',
      books: 'books',
      records: 'records and files',
    }),
    limit: choiceField('shelves may sag', { strict: '1 in 600', relaxed: '1 in 360' }),
    stripHeight: lengthField('front strip height', { max: 120 }),
    stripThickness: lengthField('front strip thickness', { max: 60 }),
  }),
  pins: z.strictObject({
    kind: choiceField(
      'shelf pin holes',
      { grid: '32 mm grid', free: 'free spacing', none: 'none' },
      'The grid lets hinge plates, runners and pins share their holes. Free spacing suits a hand jig.',
    ),
    spacing: lengthField('pin holes apart', { min: 10, max: 200 }),
    first: lengthField('first hole from the end of the side', { min: 4, max: 300 }),
    from: choiceField('pin holes are measured from', { bottom: 'the lower end', top: 'the upper end' }),
    front: lengthField('front line of holes', { min: 10, max: 300 }),
    rear: choiceField(
      'rear line of holes',
      { steps: 'whole steps behind the front line', groove: 'a set distance before the back' },
      'Whole steps keep both lines on one grid for runners. A set distance puts the rear pin equally far from the back in every depth.',
    ),
    rearClear: lengthField('rear holes clear of the back by', { min: 2, max: 200 }),
    rearSet: lengthField('rear line before the back', { min: 10, max: 400 }),
    column: choiceField('pin holes are bored', { full: 'over the whole opening', around: 'around each shelf' }),
    around: countField('holes above and below each shelf', 0, 12),
    ends: lengthField('pin holes begin from the ends of an opening', { max: 400 }),
    diameter: lengthField('pin hole', { min: 2, max: 12 }),
    depth: lengthField('pin hole depth', { min: 4, max: 20 }),
    leastDepth: lengthField('least pin hole depth', { min: 3, max: 20 }),
    opposite: choiceField(
      'in a partition too thin for pins from both faces',
      { stagger: 'every other hole on each face', through: 'through holes' },
      'Every other hole halves the choice of heights beside the partition. Through holes take a pin for both sides.',
    ),
  }),
  /** Which material each role is made of, by material id. */
  materials: z.strictObject({
    side: nameField('side material'),
    bottom: nameField('bottom material'),
    top: nameField('top material'),
    partition: nameField('partition material'),
    shelf: nameField('shelf material'),
    back: nameField('back material'),
    nailer: nameField('nailer material'),
    toe: nameField('toe material'),
    frame: nameField('frame material'),
    web: nameField('web frame material'),
    end: nameField('end panel material'),
    front: nameField('front material'),
    doorFrame: nameField('front frame material'),
    doorPanel: nameField('front panel material'),
  }),
  movement: z.strictObject({ moistureChange: shareField('expected moisture change, per cent', 0, 20) }),
  /** Outside these the shop wants to be asked. */
  usual: z.strictObject({
    width: z.strictObject({ least: lengthField('narrowest usual cabinet'), most: lengthField('widest usual cabinet') }),
    height: z.strictObject({ least: lengthField('lowest usual cabinet'), most: lengthField('highest usual cabinet') }),
    depth: z.strictObject({
      least: lengthField('shallowest usual cabinet'),
      most: lengthField('deepest usual cabinet'),
    }),
  }),
});

export type Settings = z.infer<typeof settingsSchema>;
export type SettingOverrides = DeepPartial<Settings>;
export const overridesSchema = overridesOf(settingsSchema);
export type MaterialRole = keyof Settings['materials'];
export type SchoolId = Settings['school'];
