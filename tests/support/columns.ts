/** Cabinets of two columns as a maker would draw them, everything else left at its default. */
import type { Fill, Opening, Split } from '../../src/core/decisions/index.js';
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
const door = (hinged: 'left' | 'right', shelves = 1): Fill => ({
  kind: 'door',
  hinged,
  interior: { kind: 'shelves', shelves },
});
const pair: Fill = { kind: 'pair', interior: { kind: 'shelves', shelves: 1 } };

/** A face divided one way, each member of several fills divided the other way. */
function divided(kind: 'rows' | 'columns', each: readonly (readonly Fill[])[]): Split {
  const open = opener();
  const other = kind === 'rows' ? 'columns' : 'rows';
  return {
    kind,
    graduation,
    parts: each.map((fills) =>
      open(
        fills.length === 1 ? (fills[0] as Fill) : { kind: other, graduation, parts: fills.map((fill) => open(fill)) },
      ),
    ),
  };
}

const columns = (...each: readonly (readonly Fill[])[]) => divided('columns', each);
const rows = (...each: readonly (readonly Fill[])[]) => divided('rows', each);

export const TWO_COLUMNS: Readonly<Record<string, CabinetDecisions>> = {
  'two drawers over two doors': { width: 900, face: rows([drawer, drawer], [door('left'), door('right')]) },
  'drawer over door, twice': { width: 900, face: columns([drawer, door('left')], [drawer, door('right')]) },
  'two by three drawers': { width: 900, face: columns([drawer, drawer, drawer], [drawer, drawer, drawer]) },
  'wall with two pairs': { from: 'wall', width: 1100, face: columns([pair], [pair]) },
  'tall in two columns': {
    from: 'tall',
    width: 900,
    face: columns([door('left'), door('left')], [door('right'), door('right')]),
  },
  'two doors on one partition': { width: 900, face: columns([door('right')], [door('left')]) },
  'drawers one over the other': { width: 600, face: rows([drawer], [drawer], [drawer]) },
};

export const SCHOOLS: Readonly<Record<string, NonNullable<CabinetDecisions['settings']>>> = {
  frameless: { school: 'frameless' },
  'face frame': { school: 'faceFrame' },
  traditional: { school: 'traditional' },
  'traditional with a frame': { school: 'traditional', frame: { fitted: 'fitted' } },
};
