import { type Edit, pathFromText } from '../../src/core/decisions/index.js';

/** An edit by its path as text, as tests write it. */
export function decide(path: string, value: unknown): Edit {
  return { path: pathFromText(path), value };
}
