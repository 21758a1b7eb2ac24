import type { OperationKind } from '../../part/index.js';

/** Where a piece of work is set up, and what makes its set-ups differ. In the order in which work goes through the shop. */
export interface Station {
  readonly id: string;
  readonly title: string;
  /** One line on what is done there. */
  readonly work: string;
  /** What the distance is called that is set there; absent where nothing is set by a distance. */
  readonly fence?: string;
  /** The kinds of cuts and holes that are made there. */
  readonly kinds: readonly OperationKind[];
  /** Said where it is set up. */
  readonly note?: string;
}

const SCRAP = 'Cut a scrap of the same stock first and measure it.';

/** Every station; a new one is one entry here. */
export const stations = [
  {
    id: 'rip',
    title: 'Rip to width',
    work: 'From the trimmed long edge, wide before narrow.',
    fence: 'fence',
    kinds: [],
    note: SCRAP,
  },
  {
    id: 'band-strips',
    title: 'Band whole strips',
    work: 'Strips whose pieces all have a banded long edge are banded before they are crosscut.',
    kinds: [],
  },
  {
    id: 'crosscut',
    title: 'Cut to length',
    work: 'One end is squared, the other cut against the stop, long before short.',
    fence: 'stop',
    kinds: [],
    note: SCRAP,
  },
  {
    id: 'band',
    title: 'Band edges',
    work: 'Sides flush, ends after sides, before anything is grooved or bored.',
    kinds: [],
  },
  {
    id: 'groove',
    title: 'Grooves, dadoes, rabbets',
    work: 'The finished edge runs at the fence.',
    fence: 'fence',
    kinds: ['groove', 'edge groove', 'rabbet'],
    note: 'Test on scrap of the same stock and creep up on the width until the measured panel goes in by hand.',
  },
  {
    id: 'slot',
    title: 'Slots, mortises, tenons, mitres',
    work: 'One set-up for all pieces that share it.',
    fence: 'fence',
    kinds: ['slots', 'mortises', 'tenon', 'mitre', 'mitre slots', 'dovetails'],
    note: SCRAP,
  },
  {
    id: 'bore',
    title: 'Bore',
    work: 'Flat on the bench: fence, depth and cutter are set once, the stop moves along.',
    fence: 'fence',
    kinds: ['holes', 'edge holes', 'pockets'],
    note: 'Try depth and place on scrap of the same thickness.',
  },
  {
    id: 'shape',
    title: 'Notches, recesses, cut-outs',
    work: 'Last, while the piece still lies flat.',
    kinds: ['notch', 'recess', 'cut-out'],
  },
] as const satisfies readonly Station[];

export type StationId = (typeof stations)[number]['id'];

const byKind = new Map<OperationKind, StationId>(
  (stations as readonly Station[]).flatMap(({ id, kinds }) => kinds.map((kind) => [kind, id as StationId] as const)),
);

/** The station at which a kind of cut or hole is made. */
export function stationOf(kind: OperationKind): StationId {
  return byKind.get(kind) ?? 'shape';
}
