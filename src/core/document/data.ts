/** A JSON object of which nothing is known yet. */
export type Data = Record<string, unknown>;

export function isData(value: unknown): value is Data {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
