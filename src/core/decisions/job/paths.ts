import type { DeclaredPath, SettingPath } from '../settings/index.js';
import type { StockList } from './stock.js';
import type { WorkshopGroup } from './workshop.js';

declare const decided: unique symbol;
/**
 * Where a decision lies in the job document: slashes, and in a list the id of the entry. Made only by `pathTo`, so that
 * a path that leads nowhere does not compile.
 */
export type EditPath = string & { readonly [decided]: true };

const made = (path: string) => path as EditPath;

type StandardLayer = 'all' | 'base' | 'wall' | 'tall';
type CabinetField =
  | 'name'
  | 'number'
  | 'kind'
  | 'leftNeighbour'
  | 'face'
  | 'size/width'
  | 'size/depth'
  | 'size/height'
  | 'size/height/mm'
  | 'size/height/finished';
export type ZoneField = 'name' | 'left' | 'up' | 'behind' | 'width' | 'height' | 'depth';
export type StandingField = 'width' | 'left' | 'right' | 'depth' | 'height' | 'trays';
export type PartField = 'material' | 'bands' | 'grain' | 'oversize' | 'note' | 'made';
type SplitField = 'kind' | 'graduation' | 'graduation/step' | 'graduation/ratio' | 'parts';
type OpeningField =
  | 'size'
  | 'size/mm'
  | 'size/weight'
  | 'pin'
  | 'divider'
  | 'dividerOff'
  | 'fill'
  | 'fill/interior'
  | 'fill/hingesAt';
type MaterialField =
  | 'name'
  | 'nominal'
  | 'measured/readings'
  | 'measured/batch'
  | 'sheet'
  | 'sheet/length'
  | 'sheet/width'
  | 'price'
  | 'goodFaces'
  | 'prefinished'
  | 'grain'
  | 'form'
  | 'movement'
  | 'density'
  | 'modulus'
  | 'creep';
type StockKind = keyof StockList;
export type StockField =
  | 'count'
  | 'price'
  | 'length'
  | 'width'
  | 'mark'
  | 'rough'
  | 'waste'
  | 'name'
  | 'thickness'
  | 'milled'
  | 'materials';
type HeadField = 'name' | 'note' | 'display' | 'display/unit' | 'display/mmStep' | 'display/graduation';

/** The ways to a decision, each from what it belongs to. */
export const pathTo = {
  /** The list of cabinets, and one of them. */
  cabinets: made('cabinets'),
  cabinet: (id: string) => made(`cabinets/${id}`),
  cabinetField: (id: string, field: CabinetField) => made(`cabinets/${id}/${field}`),
  /** All that one cabinet decides otherwise. */
  settings: (cabinetId: string) => made(`cabinets/${cabinetId}/settings`),
  /** A setting as it is decided on one cabinet. */
  setting: (cabinetId: string, path: SettingPath | DeclaredPath) => made(`cabinets/${cabinetId}/settings/${path}`),
  /** A setting as this job has it. */
  standard: (layer: StandardLayer, path: SettingPath | DeclaredPath) => made(`standards/${layer}/${path}`),
  /** The keep-out boxes of a cabinet. */
  zones: (cabinetId: string) => made(`cabinets/${cabinetId}/zones`),
  zone: (cabinetId: string, id: string) => made(`cabinets/${cabinetId}/zones/${id}`),
  zoneField: (cabinetId: string, id: string, field: ZoneField) => made(`cabinets/${cabinetId}/zones/${id}/${field}`),
  /** What is decided of single parts of a cabinet. */
  parts: (cabinetId: string) => made(`cabinets/${cabinetId}/parts`),
  part: (cabinetId: string, id: string) => made(`cabinets/${cabinetId}/parts/${id}`),
  partField: (cabinetId: string, id: string, field: PartField) => made(`cabinets/${cabinetId}/parts/${id}/${field}`),
  /** Trays for cabinets that stand. */
  allStanding: made('standing'),
  standing: (id: string) => made(`standing/${id}`),
  standingField: (id: string, field: StandingField | 'name' | 'number' | 'runner') => made(`standing/${id}/${field}`),
  face: (cabinetId: string) => made(`cabinets/${cabinetId}/face`),
  split: (split: EditPath, field: SplitField) => made(`${split}/${field}`),
  /** An opening of a split. */
  opening: (split: EditPath, id: string) => made(`${split}/parts/${id}`),
  openingField: (opening: EditPath, field: OpeningField) => made(`${opening}/${field}`),
  /** What is decided of the shelves of a room, from where the room is filled. */
  shelvesOf: (room: EditPath, field: 'shelves' | 'shelvesAt') => made(`${room}/${field}`),
  /** What goes into a drawer or onto a tray, from where its fill is decided. */
  contentsOf: (fill: EditPath) => made(`${fill}/contents`),
  /** How far the runners of a drawer or tray are raised, from where its fill is decided. */
  raisedOf: (fill: EditPath) => made(`${fill}/raised`),
  /** An entry of a list by its id. */
  entry: (list: EditPath, id: string) => made(`${list}/${id}`),
  material: (id: string) => made(`materials/${id}`),
  materials: made('materials'),
  materialField: (id: string, field: MaterialField) => made(`materials/${id}/${field}`),
  room: (field: 'ceiling' | 'doorway') => made(`room/${field}`),
  head: (field: HeadField) => made(field),
  /** The profiles of a kind of hardware. */
  library: (kind: string) => made(`hardware/${kind}`),
  /** A figure of the shop's way of cutting and its costs. */
  workshop: (group: WorkshopGroup, figure: string) => made(`workshop/${group}/${figure}`),
  prices: made('workshop/prices'),
  /** What is in stock: sheets and offcuts, boards, bands. */
  stock: (list: StockKind) => made(`stock/${list}`),
  stockField: (list: StockKind, id: string, field: StockField) => made(`stock/${list}/${id}/${field}`),
  /** Accepted layouts, by their materials. */
  layouts: made('layouts'),
  layout: (material: string) => made(`layouts/${material}`),
  layoutSheet: (material: string, sheet: string) => made(`layouts/${material}/sheets/${sheet}`),
  layoutSheetField: (material: string, sheet: string, field: 'cut' | 'placements' | 'clear') =>
    made(`layouts/${material}/sheets/${sheet}/${field}`),
  layoutTicks: (material: string) => made(`layouts/${material}/ticks`),
  /** What a test piece of a profile taught. */
  trial: (kind: string, profile: string) => made(`hardware/${kind}/${profile}/trial`),
} as const;

/** What a decision is about. */
export type Subject =
  | { readonly kind: 'face' | 'size' | 'material' | 'other' }
  /** A setting by its own path, decided on a cabinet, in the job or in the house. */
  | { readonly kind: 'setting'; readonly layer: 'cabinet' | 'job' | 'house'; readonly setting: string };

/** What the decision at a path is about. */
export function subjectOf(path: string): Subject {
  const [list, ...rest] = path.split('/');
  const setting = (layer: 'cabinet' | 'job' | 'house', from: number): Subject => ({
    kind: 'setting',
    layer,
    setting: rest.slice(from).join('/'),
  });
  switch (list) {
    case 'cabinets':
      if (rest[1] === 'settings') return setting('cabinet', 2);
      return { kind: rest[1] === 'face' || rest[1] === 'size' ? rest[1] : 'other' };
    case 'standards':
      return setting('job', 1);
    case 'house':
      return setting('house', rest[0] === 'schools' ? 2 : 1);
    case 'materials':
      return { kind: 'material' };
    default:
      return { kind: 'other' };
  }
}

/** A path that came from outside, as text: it is checked when it is carried out. */
export function pathFromText(text: string): EditPath {
  return made(text);
}
