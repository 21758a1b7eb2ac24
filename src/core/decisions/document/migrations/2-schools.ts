/**
 * Version 2 brings construction schools: settings for ends, joints, backs, toes and frames, a tall kind of cabinet, a
 * material for each role where one served the whole case, solid wood, ways fronts lie, and what shelves carry. Documents of version 1 keep their sizes: what
 * is new is set to what version 1 always did.
 */
type Data = Record<string, unknown>;

const isData = (value: unknown): value is Data => typeof value === 'object' && value !== null && !Array.isArray(value);

export function toVersion2(data: Data): Data {
  const inch = isData(data.display) && data.display.unit === 'in';
  const mm = (metric: number, inches: number) => (inch ? inches * 25.4 : metric);
  const firstMaterial = Array.isArray(data.materials) && isData(data.materials[0]) ? data.materials[0].id : '';
  return {
    ...data,
    ...mapped(data, 'house', (house) => ({
      ...house,
      ...mapped(house, 'all', (all) => wholeSettings(layer(all), mm, firstMaterial)),
      ...mapped(house, 'base', layer),
      ...mapped(house, 'wall', layer),
      tall: { toe: { kind: 'plinth' } },
      schools: {
        frameless: {},
        faceFrame: { frame: { fitted: 'fitted' } },
        traditional: { toe: { kind: 'standing' }, back: { kind: 'rabbeted' } },
      },
      ...mapped(house, 'starts', (starts) => ({
        ...starts,
        tall: { width: mm(600, 24), height: mm(2100, 84), depth: mm(580, 24) },
      })),
    })),
    ...mapped(data, 'standards', (standards) => ({
      ...standards,
      ...mapped(standards, 'all', layer),
      ...mapped(standards, 'base', layer),
      ...mapped(standards, 'wall', layer),
      tall: {},
    })),
    ...listed(data, 'materials', (material) => ({
      form: 'sheet',
      movement: 0,
      modulus: 7000,
      creep: 1.5,
      ...material,
    })),
    hardware: { hinges: [] },
    ...listed(data, 'cabinets', (cabinet) => ({ ...cabinet, ...mapped(cabinet, 'settings', layer) })),
  };
}

function mapped(data: Data, key: string, change: (value: Data) => Data): Data {
  const value = data[key];
  return isData(value) ? { [key]: change(value) } : {};
}

function listed(data: Data, key: string, change: (value: Data) => Data): Data {
  const value = data[key];
  return Array.isArray(value) ? { [key]: value.map((entry) => (isData(entry) ? change(entry) : entry)) } : {};
}

/** In every layer `case` becomes the parts of the case, and `plinth` the toe. */
function layer(settings: Data): Data {
  return {
    ...settings,
    ...mapped(settings, 'materials', ({ case: carcass, plinth, ...roles }) => ({
      ...(carcass === undefined ? {} : { side: carcass, bottom: carcass, top: carcass, partition: carcass }),
      ...(plinth === undefined ? {} : { toe: plinth }),
      ...roles,
    })),
  };
}

function wholeSettings(all: Data, mm: (metric: number, inches: number) => number, material: unknown): Data {
  const group = (key: string, added: Data): Data => ({ [key]: { ...added, ...(isData(all[key]) ? all[key] : {}) } });
  const roles = isData(all.materials) ? all.materials : {};
  return {
    ...all,
    school: 'frameless',
    ends: {
      left: 'neighbour',
      right: 'neighbour',
      leftPanel: 'none',
      rightPanel: 'none',
      filler: 'none',
      scribe: mm(25, 1),
    },
    bottom: { place: 'between' },
    joints: {
      bottom: 'screws',
      top: 'screws',
      shelf: 'screws',
      partition: 'screws',
      dadoDepth: mm(6, 1 / 4),
      rabbetDepth: mm(8, 3 / 8),
    },
    fasteners: {
      first: mm(50, 2),
      spacing: mm(200, 8),
      pilot: mm(4.5, 3 / 16),
      pocketSpacing: mm(125, 5),
      dowel: mm(8, 5 / 16),
      dowelInFace: mm(12, 1 / 2),
      dowelInEnd: mm(28, 9 / 8),
      tenonLength: mm(23, 7 / 8),
      tenonThickness: mm(5, 3 / 16),
      tenonDepth: mm(15, 5 / 8),
    },
    frame: {
      fitted: 'none',
      stileLeft: mm(40, 1.5),
      stileRight: mm(40, 1.5),
      topRail: mm(45, 1.75),
      midRail: mm(32, 1.25),
      midStile: mm(40, 1.5),
      bottomRail: mm(40, 1.5),
      lip: 0,
      rise: 0,
      tenon: 0,
      overhangExposed: 0,
      overhangNeighbour: mm(3, 1 / 8),
      overlay: mm(12, 1 / 2),
      attachment: 'pocket',
      tongue: mm(5, 3 / 16),
    },
    web: { member: mm(70, 2.75), crossMembers: 3, tenon: 0, allowance: mm(6, 1 / 4) },
    movement: { moistureChange: 4 },
    drawers: { runnerThickness: mm(12.7, 1 / 2), runnerPlay: mm(0.8, 1 / 32), boxSide: mm(12, 1 / 2) },
    hinges: { kind: 'none', opening: 100, closing: 'damped', endDistance: mm(100, 4), choice: 'auto' },
    making: {
      kind: 'slab',
      drawers: 'likeDoors',
      stile: mm(64, 2.5),
      rail: mm(64, 2.5),
      narrowRail: mm(40, 1.5),
      slabBelow: mm(120, 4.75),
      narrowBelow: mm(190, 7.5),
      groove: mm(10, 3 / 8),
      panelPlay: mm(1, 1 / 32),
      trimThickness: mm(6, 1 / 4),
    },
    ...group('top', { place: 'between', recess: 0 }),
    ...group('back', {
      kind: 'grooved',
      cut: 'panel',
      cutter: mm(6, 1 / 4),
      bottomEdge: 'captured',
      rabbetDepth: mm(10, 3 / 8),
      inset: mm(1, 1 / 32),
    }),
    ...group('nailer', { rails: 'standard' }),
    ...group('fronts', {
      fit: 'overlay',
      stops: 'fitted',
      lip: mm(8, 5 / 16),
      rebateWidth: mm(10, 3 / 8),
      rebateDepth: mm(9, 3 / 8),
    }),
    ...group('shelves', { load: 'clothes', limit: 'strict', stripHeight: 0, stripThickness: mm(20, 3 / 4) }),
    ...group('toe', { board: 'over' }),
    ...group('dividers', { partitions: 'partition' }),
    materials: {
      frame: roles.side ?? material,
      web: roles.side ?? material,
      end: roles.front ?? material,
      doorFrame: roles.front ?? material,
      doorPanel: roles.back ?? material,
      ...roles,
    },
  };
}
