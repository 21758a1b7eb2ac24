import type { Cabinet, JobHead } from './document/index.js';
import {
  type AnyPath,
  type Opening,
  ownPath,
  pathFromText,
  pathIn,
  pathOf,
  type Split,
  type WorkshopGroup,
} from './job/index.js';
import type { DeclaredPath, SettingPath } from './settings/index.js';

const made = pathFromText;

/** The ways into a part of the document by the names of its fields; a list is entered by the ids of its entries. */
type FieldsOf<T> = T extends readonly unknown[]
  ? never
  : T extends object
    ? { [K in keyof T & string]: K | `${K}/${FieldsOf<NonNullable<T[K]>>}` }[keyof T & string]
    : never;
type EntryOf<List> = NonNullable<List> extends readonly (infer E)[] ? E : never;

type Settings = 'settings' | `settings/${string}`;
type CabinetField = Exclude<FieldsOf<Omit<Cabinet, 'settings' | 'face'>> | 'face', Settings>;
/** The fields of a keep-out box, of a standing cabinet, of a decided part, of something in stock. */
export type ZoneField = FieldsOf<EntryOf<Cabinet['zones']>>;
export type StandingField = FieldsOf<EntryOf<JobHead['standing']>>;
export type PartField = keyof EntryOf<Cabinet['parts']>;
/** Those of them that hold a number. */
type NumbersOf<T> = { [K in keyof T & string]: T[K] extends number ? K : never }[keyof T & string];
export type ZoneMeasure = NumbersOf<EntryOf<Cabinet['zones']>>;
export type StandingMeasure = NumbersOf<EntryOf<JobHead['standing']>>;
type Stock = JobHead['stock'];
type StockKind = keyof Stock;
export type StockField = FieldsOf<EntryOf<Stock[StockKind]>>;
type MaterialField = FieldsOf<EntryOf<JobHead['materials']>>;
type LayoutField = FieldsOf<EntryOf<EntryOf<JobHead['layouts']>['sheets']>>;
type HeadField = FieldsOf<Pick<JobHead, 'name' | 'note' | 'display'>>;
type StandardLayer = keyof JobHead['standards'];

/** The ways to what a cabinet decides, from within it, whichever it is. */
export const ownPathTo = {
  field: (field: CabinetField) => ownPath(field),
  /** A setting as it is decided on the cabinet. */
  setting: (path: SettingPath | DeclaredPath) => ownPath(`settings/${path}`),
  face: ownPath('face'),
  /** A keep-out box. */
  zone: (id: string) => ownPath(`zones/${id}`),
  zoneField: (id: string, field: ZoneField) => ownPath(`zones/${id}/${field}`),
  /** What is decided of a single part. */
  part: (id: string) => ownPath(`parts/${id}`),
  partField: (id: string, field: PartField) => ownPath(`parts/${id}/${field}`),
} as const;

/** The ways to a decision, each from what it belongs to. */
export const pathTo = {
  /** The list of cabinets, and one of them. */
  cabinets: made('cabinets'),
  cabinet: (id: string) => made(`cabinets/${id}`),
  cabinetField: (id: string, field: CabinetField) => pathOf({ id }, ownPathTo.field(field)),
  /** All that one cabinet decides otherwise. */
  settings: (cabinetId: string) => made(`cabinets/${cabinetId}/settings`),
  /** A setting as it is decided on one cabinet. */
  setting: (id: string, path: SettingPath | DeclaredPath) => pathOf({ id }, ownPathTo.setting(path)),
  /** A setting as this job has it. */
  standard: (layer: StandardLayer, path: SettingPath | DeclaredPath) => made(`standards/${layer}/${path}`),
  /** The keep-out boxes of a cabinet. */
  zones: (cabinetId: string) => made(`cabinets/${cabinetId}/zones`),
  zone: (cabinetId: string, id: string) => pathOf({ id: cabinetId }, ownPathTo.zone(id)),
  zoneField: (cabinetId: string, id: string, field: ZoneField) =>
    pathOf({ id: cabinetId }, ownPathTo.zoneField(id, field)),
  /** What is decided of single parts of a cabinet. */
  parts: (cabinetId: string) => made(`cabinets/${cabinetId}/parts`),
  part: (cabinetId: string, id: string) => pathOf({ id: cabinetId }, ownPathTo.part(id)),
  partField: (cabinetId: string, id: string, field: PartField) =>
    pathOf({ id: cabinetId }, ownPathTo.partField(id, field)),
  /** Trays for cabinets that stand. */
  allStanding: made('standing'),
  standing: (id: string) => made(`standing/${id}`),
  standingField: (id: string, field: StandingField) => made(`standing/${id}/${field}`),
  face: (id: string) => pathOf({ id }, ownPathTo.face),
  split: <P extends AnyPath>(split: P, field: FieldsOf<Split>) => pathIn(split, field),
  /** An opening of a split. */
  opening: <P extends AnyPath>(split: P, id: string) => pathIn(split, `parts/${id}`),
  openingField: <P extends AnyPath>(opening: P, field: FieldsOf<Omit<Opening, 'fill'>> | 'fill' | 'fill/interior') =>
    pathIn(opening, field),
  /** An entry of a list by its id. */
  entry: pathIn,
  material: (id: string) => made(`materials/${id}`),
  materials: made('materials'),
  materialField: (id: string, field: MaterialField) => made(`materials/${id}/${field}`),
  room: (field: keyof JobHead['room']) => made(`room/${field}`),
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
  layoutSheetField: (material: string, sheet: string, field: LayoutField) =>
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
