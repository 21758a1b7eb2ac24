/** Cabinets of two columns as a maker would draw them, everything else left at its default. */
import type { Fill, Opening } from '../../src/core/job/index.js';
import type { CabinetDecisions } from './cabinets.js';

const graduation = { kind: 'arithmetic' as const, step: 10 };

/** Openings get their ids in reading order. */
function opener(): (fill: Fill) => Opening {
  let count = 0;
  return (fill) => {
    count += 1;
    return { id: `o${count}`, size: { rule: 'share', weight: 1 }, fill };
  };
}

const drawer: Fill = { kind: 'drawer' };
const door = (hinged: 'left' | 'right', shelves = 1): Fill => ({ kind: 'door', hinged, shelves });
const pair: Fill = { kind: 'pair', shelves: 1 };

function columns(...each: readonly (readonly Fill[])[]): CabinetDecisions['face'] {
  const open = opener();
  return {
    kind: 'columns',
    graduation,
    parts: each.map((fills) =>
      fills.length === 1
        ? open(fills[0] as Fill)
        : open({ kind: 'rows', graduation, parts: fills.map((fill) => open(fill)) }),
    ),
  };
}

function rows(...each: readonly (readonly Fill[])[]): CabinetDecisions['face'] {
  const open = opener();
  return {
    kind: 'rows',
    graduation,
    parts: each.map((fills) =>
      fills.length === 1
        ? open(fills[0] as Fill)
        : open({ kind: 'columns', graduation, parts: fills.map((fill) => open(fill)) }),
    ),
  };
}

export const TWO_COLUMNS: Readonly<Record<string, CabinetDecisions>> = {
  'two drawers over two doors': { width: 900, face: rows([drawer, drawer], [door('left'), door('right')]) as never },
  'drawer over door, twice': { width: 900, face: columns([drawer, door('left')], [drawer, door('right')]) as never },
  'two by three drawers': { width: 900, face: columns([drawer, drawer, drawer], [drawer, drawer, drawer]) as never },
  'wall with two pairs': { from: 'wall', width: 1100, face: columns([pair], [pair]) as never },
  'tall in two columns': {
    from: 'tall',
    width: 900,
    face: columns([door('left'), door('left')], [door('right'), door('right')]) as never,
  },
  'two doors on one partition': { width: 900, face: columns([door('right')], [door('left')]) as never },
  'drawers one over the other': { width: 600, face: rows([drawer], [drawer], [drawer]) as never },
};

export const SCHOOLS: Readonly<Record<string, NonNullable<CabinetDecisions['settings']>>> = {
  frameless: { school: 'frameless' },
  'face frame': { school: 'faceFrame' },
  traditional: { school: 'traditional' },
  'traditional with a frame': { school: 'traditional', frame: { fitted: 'fitted' } },
};
