import type { Material } from '../../decisions/index.js';
import { type Dim, length, plain, quantity } from '../../ground/index.js';

/** kg per metre of shelf, 300 deep. */
export const SHELF_LOADS = { clothes: 12, kitchen: 25, books: 40, records: 55 } as const;
/** A lasting sag may be this share of the span: about half a millimetre in 300, or relaxed. */
const LIMITS = { strict: 600, relaxed: 360 } as const;
const GRAVITY = 9.81;

/** A board on two supports, with a strip glued to its front edge or without. Sizes in mm. */
export interface LoadedShelf {
  readonly span: Dim;
  /** Front to rear of the board. */
  readonly depth: Dim;
  readonly thickness: Dim;
  readonly material: Material;
  readonly strip?: { readonly height: Dim; readonly thickness: Dim; readonly material: Material };
  readonly load: keyof typeof SHELF_LOADS;
  readonly limit: keyof typeof LIMITS;
}

export interface Sag {
  /** N/mm: load and own weight. */
  readonly lineLoad: Dim;
  /** mm from the upper face. */
  readonly neutralAxis: Dim;
  /** mm, at once and lasting. */
  readonly elastic: Dim;
  readonly lasting: Dim;
  readonly allowed: Dim;
  readonly passes: boolean;
}

/**
 * δ = 5·q·L⁴ / (384·E·I), times the creep factor for a lasting load. A strip counts by the transformed section (its
 * width times the ratio of the moduli, parallel axes), adds its weight to the load but not its depth.
 */
export function shelfSag(shelf: LoadedShelf): Sag {
  const { span, material } = shelf;
  const modulus = quantity(material.modulus, 'N/mm2', `stiffness of ${material.name}`, source(material, 'modulus'));
  const lineLoad = loadOf(shelf);
  const { axis, inertia } = sectionOf(shelf);
  const elastic = lineLoad.times(5).times(span.power(4)).over(modulus.times(inertia).times(384)).as('sag at once');
  const creep = plain(material.creep, `creep of ${material.name}`, source(material, 'creep'));
  const lasting = elastic.times(creep).as('lasting sag');
  const allowed = span.over(plain(LIMITS[shelf.limit], 'spans per sag allowed')).as('sag allowed');
  return { lineLoad, neutralAxis: axis, elastic, lasting, allowed, passes: lasting.value <= allowed.value };
}

function source(material: Material, field: 'modulus' | 'creep' | 'density') {
  return { kind: 'nominal', note: `of ${material.name}`, path: `materials/${material.id}/${field}` } as const;
}

/** q = kg per metre · depth / 300 · g / 1000 + own weight. */
function loadOf({ depth, thickness, material, strip, load }: LoadedShelf): Dim {
  const gravity = quantity(GRAVITY, 'N/kg', 'gravity');
  const carried = quantity(SHELF_LOADS[load], 'kg/m', `kg per metre, ${load}`)
    .times(depth)
    .over(length(300))
    .times(gravity)
    .over(quantity(1000, 'mm/m', 'mm in a metre'))
    .as('load carried');
  const weight = (area: Dim, of: Material) =>
    area
      .times(quantity(of.density, 'kg/m3', `density of ${of.name}`, source(of, 'density')))
      .over(quantity(1e9, 'mm3/m3', 'mm³ in a m³'))
      .times(gravity);
  let line = carried.plus(weight(depth.times(thickness), material).as('own weight'));
  if (strip) line = line.plus(weight(strip.height.times(strip.thickness), strip.material).as('weight of the strip'));
  return line.as('load along the shelf');
}

/** Neutral axis from the upper face and second moment of area, tops flush. */
function sectionOf({ depth, thickness, material, strip }: LoadedShelf): { axis: Dim; inertia: Dim } {
  const [b, t] = [depth, thickness];
  const board = { area: b.times(t).as('section of the board'), middle: t.over(2), own: b.times(t.power(3)).over(12) };
  if (!strip) return { axis: board.middle.as('neutral axis'), inertia: board.own.as('second moment of area') };
  const ratio = plain(strip.material.modulus / material.modulus, 'strip to board, stiffness');
  const width = strip.thickness.times(ratio).as('strip as if of the board');
  const h = strip.height;
  const edge = {
    area: width.times(h).as('section of the strip'),
    middle: h.over(2),
    own: width.times(h.power(3)).over(12),
  };
  const axis = board.area
    .times(board.middle)
    .plus(edge.area.times(edge.middle))
    .over(board.area.plus(edge.area))
    .as('neutral axis');
  const about = (part: typeof board) => part.own.plus(part.area.times(part.middle.minus(axis).power(2)));
  return { axis, inertia: about(board).plus(about(edge)).as('second moment of area') };
}

/** The longest span (mm) this shelf can have: lasting sag grows with its cube against the limit. */
export function longestSpan(shelf: LoadedShelf): number {
  const { lasting, allowed } = shelfSag(shelf);
  return shelf.span.value * Math.cbrt(allowed.value / lasting.value);
}

/** Heights of strip a maker would rip (mm). */
const STRIPS = [25, 30, 35, 40, 45, 50, 60, 70, 80];

/** The lowest front strip of a material that settles the sag; undefined when none does. */
export function smallestStrip(shelf: LoadedShelf, thickness: Dim, material: Material): number | undefined {
  return STRIPS.find(
    (height) =>
      height > shelf.thickness.value &&
      shelfSag({ ...shelf, strip: { height: length(height), thickness, material } }).passes,
  );
}
