import type { LengthUnit } from '../../ground/index.js';

/** A JSON object of which nothing is known yet. */
export type Data = Record<string, unknown>;

/** Brings a document of one version to the next. */
export type Migration = (data: Data) => Data;

export function isData(value: unknown): value is Data {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** The unit lengths of a document are typed in; millimetres where it does not say. */
export function unitOf({ display }: Data): LengthUnit {
  return isData(display) && display.unit === 'in' ? 'in' : 'mm';
}
