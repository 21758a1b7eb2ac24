import { BAND_WIDER, type Material, type StockBand, thicknessOf } from '../../decisions/index.js';
import { type Dim, plain, quantity } from '../../ground/index.js';
import { type Band, lengthAlong, type Part } from '../../part/index.js';

/** Bands are cut so much longer at each edge (mm), and so much is lost of a roll. */
const BAND_OVER = 50;
const BAND_LOSS = 1.1;
/** Thicknesses of bands agree to this (mm): they are told to a tenth. */
const SAME = 0.05;

/** So many metres of a band are bought for edges of some length together (m). */
export function bandBought(metres: number, edges: number, name: string): Dim {
  return quantity(metres, 'm', `edges with ${name}`)
    .plus(quantity((edges * BAND_OVER) / 1000, 'm', 'cut longer, all edges together'))
    .times(plain(BAND_LOSS, 'with what is lost of a roll'));
}

/** How long an edge with a band is (mm). */
export function bandedLength(part: Part, { edge }: Pick<Band, 'edge'>): number {
  return lengthAlong(part, edge).value;
}

/** The band in stock that matches a material and is as thick as is wanted. */
export function bandFor(bands: readonly StockBand[], material: string, thickness: number): StockBand | undefined {
  return bands.find((band) => band.materials.includes(material) && Math.abs(band.thickness - thickness) < SAME);
}

/** A band parts ask for. */
export interface BandWanted {
  readonly material: Material;
  /** mm */
  readonly thickness: number;
}

/** The bands parts ask for and the stock has none of, by material and thickness. */
export function bandsMissing(bands: readonly StockBand[], parts: readonly Part[]): BandWanted[] {
  const wanted = new Map<string, BandWanted>();
  for (const { material, bands: own, bought } of parts)
    if (!bought)
      for (const { thickness } of own)
        wanted.set(`${material.id} ${thickness.value.toFixed(2)}`, { material, thickness: thickness.value });
  return [...wanted.values()].filter(({ material, thickness }) => !bandFor(bands, material.id, thickness));
}

/** The least width of a band on a material, so that both sides are trimmed flush (mm). */
export function leastBandWidth(material: Material): number {
  return thicknessOf(material).value + BAND_WIDER;
}

/** True where a band is too narrow for one of the materials it is to match. */
export function isTooNarrow({ width, materials }: StockBand, all: readonly Material[]): boolean {
  return all.some((material) => materials.includes(material.id) && width < leastBandWidth(material) - 0.001);
}

/** True where the cut sizes of what a band goes on leave something for the bander to mill off. */
export function isLeftOnFor({ materials }: StockBand, parts: readonly Part[]): boolean {
  return parts.some(
    ({ material, bands }) =>
      materials.includes(material.id) && bands.some(({ milled }) => milled !== undefined && milled.value > 0),
  );
}
