/**
 * Version 3 brings hinge families (concealed, compact, butt), pulls, shelf pins, false fronts, neighbours and the reach
 * of screws. Documents of version 2 keep their sizes and their holes: no pulls, no pin holes, hinges where they fell.
 */
type Data = Record<string, unknown>;

const isData = (value: unknown): value is Data => typeof value === 'object' && value !== null && !Array.isArray(value);

export function toVersion3(data: Data): Data {
  const inch = isData(data.display) && data.display.unit === 'in';
  const mm = (metric: number, inches: number) => (inch ? inches * 25.4 : metric);
  return {
    ...data,
    ...mapped(data, 'house', (house) => ({
      ...house,
      ...mapped(house, 'all', (all) => wholeSettings(layer(all), mm)),
      ...eachOf(house, ['base', 'wall', 'tall'], layer),
      ...mapped(house, 'schools', (schools) => eachOf(schools, Object.keys(schools), layer)),
    })),
    ...mapped(data, 'standards', (standards) => ({
      ...standards,
      ...eachOf(standards, ['all', 'base', 'wall', 'tall'], layer),
    })),
    ...mapped(data, 'hardware', (hardware) => ({ ...hardware, ...listed(hardware, 'hinges', profile), pulls: [] })),
    ...listed(data, 'cabinets', (cabinet) => ({
      ...cabinet,
      leftNeighbour: null,
      ...mapped(cabinet, 'settings', layer),
    })),
  };
}

function mapped(data: Data, key: string, change: (value: Data) => Data): Data {
  const value = data[key];
  return isData(value) ? { [key]: change(value) } : {};
}

function eachOf(data: Data, keys: readonly string[], change: (value: Data) => Data): Data {
  return Object.assign({}, ...keys.map((key) => mapped(data, key, change)));
}

function listed(data: Data, key: string, change: (value: Data) => Data): Data {
  const value = data[key];
  return Array.isArray(value) ? { [key]: value.map((entry) => (isData(entry) ? change(entry) : entry)) } : {};
}

/** In every layer the kind of hinge becomes its family; version 2 knew concealed ones only. */
function layer(settings: Data): Data {
  return {
    ...settings,
    ...mapped(settings, 'hinges', ({ kind, ...hinges }) => ({
      ...(kind === undefined ? {} : { family: kind === 'concealed' ? 'any' : kind }),
      ...hinges,
    })),
  };
}

function wholeSettings(all: Data, mm: (metric: number, inches: number) => number): Data {
  const group = (key: string, added: Data): Data => ({ [key]: { ...added, ...(isData(all[key]) ? all[key] : {}) } });
  return {
    ...all,
    ...group('ends', { leftClear: 0, rightClear: 0 }),
    ...group('fasteners', { screwLength: mm(50, 2), pocketReach: mm(12, 1 / 2) }),
    ...group('fronts', { atNeighbour: 'own', grainRuns: 'none', sawCut: mm(4, 5 / 32) }),
    ...group('hinges', { stopAt: 180, leafPlace: 'length', snap: 'free' }),
    pulls: {
      doors: 'none',
      drawers: 'none',
      fromEnd: mm(60, 2.5),
      fromEdge: mm(40, 1.5),
      drawerPlace: 'middle',
      twoOver: mm(750, 30),
      reach: mm(1050, 42),
    },
    pins: {
      kind: 'none',
      spacing: mm(32, 1.25),
      first: mm(9, 3 / 8),
      from: 'bottom',
      front: mm(37, 2.5),
      rear: 'steps',
      rearClear: mm(10, 3 / 8),
      rearSet: mm(37, 2),
      column: 'around',
      around: 3,
      ends: mm(60, 2.5),
      diameter: mm(5, 1 / 4),
      depth: mm(10, 3 / 8),
      leastDepth: mm(9, 5 / 16),
      opposite: 'stagger',
    },
  };
}

/** What version 2 did not say of a concealed hinge is taken from hinges of its kind. */
function profile({ fit, ...old }: Data): Data {
  const framed = fit === 'frame';
  const cup = isData(old.cup) ? old.cup : {};
  const middle = (Number(cup.least) + Number(cup.most)) / 2;
  return {
    ...old,
    family: framed ? 'compact' : 'concealed',
    carcass: [framed ? 'frame' : 'frameless'],
    fits: framed ? ['full'] : fit === 'inset' ? ['inset', 'lipped'] : [fit],
    body: framed ? { behind: 40, height: 46, out: 16 } : { behind: 62, height: 54, out: 22 },
    turn: { beyondCup: 7, beforeBack: 13.5 },
    heightAdjust: 2,
    depthAdjust: 2,
    ...listed(old, 'gaps', ({ thickness, gap }) => ({ thickness, at: [{ offset: middle, gap }] })),
  };
}
