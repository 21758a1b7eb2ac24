import { pieceName, type SheetLayout, type Workshop } from '../../decisions/index.js';
import type { Dim } from '../../ground/index.js';
import { type Edge, type EdgeReference, type Operation, type Part, partNames, rowOf } from '../../part/index.js';
import type { SolvedCabinet } from '../../solve/index.js';
import { sequenceOf, stripsToBand } from '../sheets/index.js';
import { type StationId, stationOf, stations } from './stations.js';

/** A part at a set-up: which edge runs against the fence or is worked on, and where the stops stand. */
export interface SetUpPiece {
  readonly cabinet: string;
  readonly number: string;
  readonly mark: string;
  readonly name: string;
  readonly part: Part;
  readonly keys: readonly string[];
  readonly quantity: number;
  readonly edges: readonly EdgeReference[];
  /** What its edges and faces are called there, in words. */
  readonly where: string;
  readonly stops: readonly Dim[];
}

/** One setting of a machine, with everything that is cut at it. */
export interface SetUp {
  readonly id: string;
  readonly station: StationId;
  readonly what: string;
  readonly fence?: Dim;
  /** Blade or cutter height, or depth of a hole. */
  readonly depth?: Dim;
  /** Width of a cut, diameter of a hole, thickness of a band. */
  readonly size?: Dim;
  readonly by?: Dim;
  readonly pieces: readonly SetUpPiece[];
  /** True where the cut is crept to the measured panel that sits in it. */
  readonly creep: boolean;
  /** Materials whose pieces are at it. */
  readonly materials: readonly string[];
}

type Draft = Omit<SetUp, 'pieces' | 'materials' | 'id'> & { readonly key: readonly (string | number)[] };

/** The set-ups of some cabinets: each setting once, with all pieces at it, in an order in which what is measured from exists. */
export function setUpsOf(cabinets: readonly SolvedCabinet[], layouts: readonly SheetLayout[]): SetUp[] {
  const found = new Map<string, SetUp & { pieces: SetUpPiece[] }>();
  const add = ({ key, ...draft }: Draft, piece: SetUpPiece) => {
    const id = slug([draft.station, ...key]);
    const known = found.get(id);
    if (known) {
      const same = known.pieces.find(({ mark, where }) => mark === piece.mark && where === piece.where);
      if (!same) known.pieces.push(piece);
    } else found.set(id, { id, ...draft, pieces: [piece], materials: [] });
  };
  const lies = new Lies(layouts, cabinets);
  for (const { cabinet, rows } of cabinets)
    for (const { mark, part, keys, quantity } of rows) {
      if (part.bought) continue;
      const own = { cabinet: cabinet.id, number: cabinet.number, mark, name: part.name, part, keys, quantity };
      const names = partNames(part);
      const piece = (edges: readonly EdgeReference[], where: string, stops: readonly Dim[] = []): SetUpPiece => ({
        edges,
        ...own,
        where,
        stops,
      });
      for (const [draft, edges] of sawn(
        part,
        keys.every((key) => lies.turned(cabinet.id, key)),
      ))
        add(draft, piece(edges, ''));
      for (const [draft, edges] of banded(
        part,
        keys.every((key) => lies.inBandedStrip(cabinet.id, key)),
      ))
        add(draft, piece(edges, edges.map((edge) => names.edge(edge)).join(', ')));
      for (const operation of part.machining) {
        const { draft, edges, where, stops } = machined(operation, part);
        add(draft, piece(edges, where, stops));
      }
    }
  const order = new Map(stations.map(({ id }, at) => [id as StationId, at]));
  return [...found.values()]
    .map((setUp) => ({ ...setUp, materials: [...new Set(setUp.pieces.map(({ part }) => part.material.id))] }))
    .sort(
      (a, b) =>
        (order.get(a.station) ?? 0) - (order.get(b.station) ?? 0) ||
        a.what.localeCompare(b.what) ||
        (a.size?.value ?? 0) - (b.size?.value ?? 0) ||
        // Large before small: what is left of a large piece may still become a small one.
        (b.fence?.value ?? 0) - (a.fence?.value ?? 0) ||
        (a.id < b.id ? -1 : 1),
    );
}

/** Ripped across its width and cut to length; the other way round where it lies turned on its sheet. */
function sawn(part: Part, turned: boolean): [Draft, readonly EdgeReference[]][] {
  const across = (part.grainRuns === 'width') !== turned;
  const draft = (station: 'rip' | 'crosscut', fence: Dim): Draft => ({
    station,
    what: station === 'rip' ? 'Rip' : 'Crosscut',
    fence,
    creep: false,
    key: [mm(fence)],
  });
  const widths = ['v0', 'v1'] as const;
  const lengths = ['u0', 'u1'] as const;
  return across
    ? [
        [draft('rip', part.cutLength), lengths],
        [draft('crosscut', part.cutWidth), widths],
      ]
    : [
        [draft('rip', part.cutWidth), widths],
        [draft('crosscut', part.cutLength), lengths],
      ];
}

/** Bands by their thickness and what the panel is made of; long edges first where whole strips are banded. */
function banded({ bands, material }: Part, strips: boolean): [Draft, readonly EdgeReference[]][] {
  const groups = new Map<string, { thickness: Dim; station: 'band-strips' | 'band'; edges: Edge[] }>();
  for (const { edge, thickness } of bands) {
    const station = strips && edge.startsWith('v') ? 'band-strips' : 'band';
    const key = `${station} ${mm(thickness)}`;
    const known = groups.get(key);
    if (known) known.edges.push(edge);
    else groups.set(key, { thickness, station, edges: [edge] });
  }
  return [...groups.values()].map(({ thickness, station, edges }) => [
    {
      station,
      what: `Band for ${material.name}`,
      size: thickness,
      creep: false,
      key: [material.id, mm(thickness)],
    },
    // Sides before ends.
    [...edges].sort().reverse() as EdgeReference[],
  ]);
}

function machined(operation: Operation, part: Part) {
  const { what, where, offset, positions, size, by, depth } = rowOf(operation, partNames(part));
  const station = stationOf(operation.kind);
  const edge = referenceOf(operation);
  // Stock that is left on outside the finished edge stands between it and the fence.
  const over = edge && part.over.find((each) => each.edge === edge);
  const fence = offset && over ? offset.plus(over.size).as(`${offset.label}, with what is left on`) : offset;
  const draft: Draft = {
    station,
    what: what.replace(/, stopped$/, ''),
    ...(fence ? { fence } : {}),
    ...(depth ? { depth } : {}),
    size,
    ...(by ? { by } : {}),
    creep: operation.kind === 'groove' && operation.holds !== undefined,
    key: [
      operation.kind,
      what.toLowerCase(),
      ...[fence, depth, size, by].map((dim) => (dim ? mm(dim) : '-')),
      ...(edge ? [edge.startsWith('u') ? 'end' : 'side'] : []),
    ],
  };
  return { draft, edges: edge ? [edge] : [], where, stops: positions };
}

/** The edge an operation is measured from. */
function referenceOf(operation: Operation): EdgeReference | undefined {
  if ('from' in operation && typeof operation.from === 'string') return operation.from as EdgeReference;
  if ('edge' in operation && typeof operation.edge === 'string') return operation.edge as EdgeReference;
  return undefined;
}

const mm = (dim: Dim) => Math.round(dim.value * 100);

/** An id made of words and numbers; long ones are shortened to what still tells them apart. */
function slug(parts: readonly (string | number)[]): string {
  const text = parts
    .map(String)
    .join('_')
    .replaceAll(/[^a-zA-Z0-9_-]+/g, '-');
  if (text.length <= 40) return text;
  let sum = 0;
  for (const char of text) sum = (Math.imul(sum, 31) + (char.codePointAt(0) ?? 0)) >>> 0;
  return `${text.slice(0, 32)}_${sum.toString(36)}`.slice(0, 40);
}

/** How pieces lie in the layouts that were accepted. */
class Lies {
  private readonly turnedPieces = new Set<string>();
  private readonly inBandedStrips = new Set<string>();

  constructor(layouts: readonly SheetLayout[], cabinets: readonly SolvedCabinet[]) {
    const banded = new Set<string>();
    for (const { cabinet, parts } of cabinets)
      for (const { key, bands } of parts)
        if (bands.some(({ edge }) => edge.startsWith('v'))) banded.add(pieceName(cabinet.id, key));
    for (const layout of layouts)
      for (const sheet of layout.sheets) {
        for (const { cabinet, part, turned } of sheet.placements)
          if (turned) this.turnedPieces.add(pieceName(cabinet, part));
        for (const { pieces } of stripsToBand(sheet, layout, ({ cabinet, part }) =>
          banded.has(pieceName(cabinet, part)),
        ))
          for (const at of pieces) {
            const { cabinet, part } = sheet.placements[at] as SheetLayout['sheets'][number]['placements'][number];
            this.inBandedStrips.add(pieceName(cabinet, part));
          }
      }
  }

  turned(cabinet: string, key: string): boolean {
    return this.turnedPieces.has(pieceName(cabinet, key));
  }

  /** True where its whole strip is banded on a long edge before it is crosscut. */
  inBandedStrip(cabinet: string, key: string): boolean {
    return this.inBandedStrips.has(pieceName(cabinet, key));
  }
}

/** True for rips narrower than the strips this shop rips: hands come near the blade. */
export function isNarrowRip({ station, fence }: SetUp, { cutting }: Workshop): boolean {
  return station === 'rip' && fence !== undefined && fence.value < cutting.minimumStrip;
}

/** How often fence or stop are set when the sheets of a layout are cut one after another; routed sheets need none. */
export function fencesSet(layout: SheetLayout): number {
  return layout.sheets.reduce((sum, sheet) => {
    const { cuts } = sequenceOf(sheet, layout, { length: 0, width: 0 }) ?? { cuts: [] };
    const positions = cuts.filter(({ kind, frees }) => kind !== 'trim' && frees.kind !== 'waste');
    return sum + new Set(positions.map(({ way, fence }) => `${way} ${fence.toFixed(2)}`)).size;
  }, 0);
}
