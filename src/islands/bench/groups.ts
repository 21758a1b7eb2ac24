/** The word a choice has on the cabinet that is looked at; empty for a number. */
export type Choices = (path: string) => string;

/** Settings of the decisions, grouped in working order; each group is one fold. `when` leaves out what another choice rules out. */
export const GROUPS: readonly {
  title: string;
  settings: readonly { path: string; when?: (is: Choices) => boolean }[];
}[] = [
  {
    title: 'Ends',
    settings: [
      { path: 'ends/left' },
      { path: 'ends/right' },
      { path: 'ends/leftPanel' },
      { path: 'ends/rightPanel' },
      { path: 'ends/filler', when: (is) => atWall(is) && is('frame/fitted') === 'none' },
      {
        path: 'ends/scribe',
        when: (is) => atWall(is) && (is('frame/fitted') === 'fitted' || is('ends/filler') === 'strip'),
      },
      { path: 'ends/leftClear' },
      { path: 'ends/rightClear' },
    ],
  },
  {
    title: 'Toe',
    settings: [
      { path: 'toe/kind' },
      { path: 'toe/board', when: (is) => is('toe/kind') === 'notched' },
      { path: 'toe/height', when: (is) => is('toe/kind') !== 'none' },
      { path: 'toe/setback', when: (is) => ['plinth', 'notched', 'legs'].includes(is('toe/kind')) },
      { path: 'toe/rearSetback', when: (is) => is('toe/kind') === 'plinth' },
    ],
  },
  {
    title: 'Top and bottom',
    settings: [
      { path: 'top/kind' },
      { path: 'top/place', when: (is) => is('top/kind') === 'full' },
      { path: 'top/recess' },
      { path: 'top/stretcherWidth' },
      { path: 'bottom/place' },
    ],
  },
  {
    title: 'Joints',
    settings: [
      { path: 'joints/bottom' },
      { path: 'joints/top' },
      { path: 'joints/shelf' },
      { path: 'joints/partition' },
      { path: 'joints/dadoDepth', when: (is) => joins(is, 'dado') },
      { path: 'joints/rabbetDepth', when: (is) => joins(is, 'rabbet') },
      { path: 'fasteners/first', when: (is) => !joins(is, 'dado') || joins(is, 'screws') },
      { path: 'fasteners/spacing', when: (is) => joins(is, 'screws') || joins(is, 'tenons') },
      { path: 'fasteners/pilot', when: (is) => joins(is, 'screws') },
      { path: 'fasteners/screwLength', when: (is) => joins(is, 'screws') },
      {
        path: 'fasteners/pocketReach',
        when: (is) => joins(is, 'pocket') || is('frame/fitted') === 'fitted',
      },
      {
        path: 'fasteners/pocketSpacing',
        when: (is) => joins(is, 'pocket') || joins(is, 'dowels') || is('frame/fitted') === 'fitted',
      },
      { path: 'fasteners/dowel', when: (is) => joins(is, 'dowels') },
      { path: 'fasteners/dowelInFace', when: (is) => joins(is, 'dowels') },
      { path: 'fasteners/dowelInEnd', when: (is) => joins(is, 'dowels') },
      { path: 'fasteners/tenonLength', when: (is) => joins(is, 'tenons') },
      { path: 'fasteners/tenonThickness', when: (is) => joins(is, 'tenons') },
      { path: 'fasteners/tenonDepth', when: (is) => joins(is, 'tenons') },
    ],
  },
  {
    title: 'Back and nailers',
    settings: [
      { path: 'back/kind' },
      { path: 'back/bottomEdge', when: (is) => is('back/kind') === 'grooved' },
      { path: 'back/grooveDepth', when: (is) => is('back/kind') === 'grooved' },
      { path: 'back/cut', when: (is) => is('back/kind') === 'grooved' },
      { path: 'back/cutter', when: (is) => is('back/kind') === 'grooved' && is('back/cut') === 'cutter' },
      { path: 'back/offsetFrom', when: (is) => is('back/kind') === 'grooved' },
      { path: 'back/offset', when: (is) => is('back/kind') === 'grooved' && is('back/offsetFrom') === 'set' },
      { path: 'back/rabbetDepth', when: (is) => is('back/kind') === 'rabbeted' },
      { path: 'back/ease', when: (is) => ['grooved', 'rabbeted'].includes(is('back/kind')) },
      { path: 'back/slip', when: (is) => ['grooved', 'rabbeted'].includes(is('back/kind')) },
      { path: 'back/inset', when: (is) => is('back/kind') === 'applied' },
      { path: 'nailer/rails' },
      { path: 'nailer/width', when: (is) => is('nailer/rails') !== 'none' },
    ],
  },
  {
    title: 'Face frame',
    settings: [
      { path: 'frame/fitted' },
      ...[
        'frame/attachment',
        'frame/stileLeft',
        'frame/stileRight',
        'frame/topRail',
        'frame/midRail',
        'frame/midStile',
        'frame/bottomRail',
        'frame/lip',
        'frame/rise',
        'frame/tenon',
        'frame/overlay',
        'frame/overhangExposed',
        'frame/overhangNeighbour',
      ].map((path) => ({ path, when: (is: Choices) => is('frame/fitted') === 'fitted' })),
      { path: 'frame/tongue', when: (is) => is('frame/fitted') === 'fitted' && is('frame/attachment') === 'tongue' },
    ],
  },
  {
    title: 'Web frames',
    settings: [
      { path: 'web/member' },
      { path: 'web/crossMembers' },
      { path: 'web/tenon' },
      { path: 'web/allowance' },
      { path: 'movement/moistureChange' },
    ],
  },
  {
    title: 'Making of doors and drawer fronts',
    settings: [
      { path: 'making/kind' },
      { path: 'making/drawers', when: (is) => is('making/kind') !== 'slab' },
      ...['stile', 'rail', 'narrowRail', 'slabBelow', 'narrowBelow'].map((name) => ({
        path: `making/${name}`,
        when: (is: Choices) => is('making/kind') !== 'slab',
      })),
      { path: 'making/groove', when: (is) => ['stick', 'mitred'].includes(is('making/kind')) },
      { path: 'making/panelPlay', when: (is) => ['stick', 'mitred'].includes(is('making/kind')) },
      { path: 'making/trimThickness', when: (is) => is('making/kind') === 'trim' },
    ],
  },
  {
    title: 'Fronts, reveals and gaps',
    settings: [
      { path: 'fronts/fit' },
      { path: 'fronts/stops', when: (is) => is('fronts/fit') === 'inset' },
      { path: 'fronts/lip', when: (is) => is('fronts/fit') === 'lipped' },
      { path: 'fronts/rebateWidth', when: (is) => is('fronts/fit') === 'lipped' },
      { path: 'fronts/rebateDepth', when: (is) => is('fronts/fit') === 'lipped' },
      { path: 'fronts/lay' },
      { path: 'fronts/gap' },
      {
        path: 'fronts/atNeighbour',
        when: (is) => is('frame/fitted') === 'none' && is('fronts/fit') === 'overlay',
      },
      ...['left', 'right', 'top', 'bottom'].map((edge) => ({
        path: `fronts/reveal/${edge}`,
        when: (is: Choices) => is('frame/fitted') === 'none' && is('fronts/fit') === 'overlay',
      })),
      { path: 'dividers/betweenFronts' },
      { path: 'dividers/atOpenBay' },
      { path: 'dividers/partitions' },
      { path: 'fronts/doorGrain' },
      { path: 'fronts/drawerGrain', when: (is) => is('fronts/grainRuns') === 'none' },
      { path: 'fronts/grainRuns' },
      { path: 'fronts/sawCut', when: (is) => is('fronts/grainRuns') !== 'none' },
    ],
  },
  {
    title: 'Hinges',
    settings: [
      { path: 'hinges/family' },
      ...['opening', 'stopAt', 'closing', 'endDistance'].map((name) => ({
        path: `hinges/${name}`,
        when: (is: Choices) => is('hinges/family') !== 'none',
      })),
      { path: 'hinges/snap', when: (is) => is('hinges/family') !== 'none' && is('pins/kind') === 'grid' },
      { path: 'hinges/leafPlace', when: (is) => ['any', 'butt', 'noMortise', 'semi'].includes(is('hinges/family')) },
    ],
  },
  {
    title: 'Pulls and knobs',
    settings: [
      { path: 'pulls/doors' },
      { path: 'pulls/fromEnd', when: (is) => is('pulls/doors') !== 'none' },
      { path: 'pulls/fromEdge', when: (is) => is('pulls/doors') !== 'none' && is('making/kind') === 'slab' },
      { path: 'pulls/reach', when: (is) => is('pulls/doors') !== 'none' },
      { path: 'pulls/drawers' },
      { path: 'pulls/drawerPlace', when: (is) => is('pulls/drawers') !== 'none' },
      { path: 'pulls/twoOver', when: (is) => is('pulls/drawers') !== 'none' },
    ],
  },
  {
    title: 'Drawer boxes',
    settings: [{ path: 'drawers/runnerThickness' }, { path: 'drawers/runnerPlay' }, { path: 'drawers/boxSide' }],
  },
  {
    title: 'Banding',
    settings: [
      { path: 'banding/frontEdges' },
      { path: 'banding/frontThickness', when: (is) => is('banding/frontEdges') !== 'none' },
      { path: 'banding/caseEdges' },
      { path: 'banding/caseThickness', when: (is) => is('banding/caseEdges') !== 'none' },
    ],
  },
  {
    title: 'Shelves',
    settings: [
      { path: 'shelves/sidePlay' },
      { path: 'shelves/frontSetback' },
      { path: 'shelves/rearPlay' },
      { path: 'shelves/load' },
      { path: 'shelves/limit' },
      { path: 'shelves/stripHeight' },
      { path: 'shelves/stripThickness' },
    ],
  },
  {
    title: 'Shelf pin holes',
    settings: [
      { path: 'pins/kind' },
      { path: 'pins/spacing', when: (is) => is('pins/kind') === 'free' },
      ...['first', 'from', 'front', 'rear'].map((name) => ({ path: `pins/${name}`, when: bored })),
      { path: 'pins/rearClear', when: (is) => bored(is) && is('pins/rear') === 'steps' },
      { path: 'pins/rearSet', when: (is) => bored(is) && is('pins/rear') === 'groove' },
      { path: 'pins/column', when: bored },
      { path: 'pins/around', when: (is) => bored(is) && is('pins/column') === 'around' },
      ...['ends', 'diameter', 'depth', 'leastDepth', 'opposite'].map((name) => ({ path: `pins/${name}`, when: bored })),
    ],
  },
];

function bored(is: Choices): boolean {
  return is('pins/kind') !== 'none';
}

function atWall(is: Choices): boolean {
  return is('ends/left') === 'wall' || is('ends/right') === 'wall';
}

function joins(is: Choices, kind: string): boolean {
  return ['bottom', 'top', 'shelf', 'partition'].some((where) => is(`joints/${where}`) === kind);
}
