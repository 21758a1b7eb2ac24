import type { Operation } from '../machining/index.js';
import type { Part } from './part.js';

/** The same part with other machining: written out field by field, so that all parts are of one shape however often they are cut. */
export function withMachining(part: Part, machining: readonly Operation[]): Part {
  return {
    key: part.key,
    name: part.name,
    whole: part.whole,
    unit: part.unit,
    role: part.role,
    material: part.material,
    length: part.length,
    width: part.width,
    thickness: part.thickness,
    cutLength: part.cutLength,
    cutWidth: part.cutWidth,
    bands: part.bands,
    hand: part.hand,
    stands: part.stands,
    placement: part.placement,
    extent: part.extent,
    receives: part.receives,
    gluedTo: part.gluedTo,
    piece: part.piece,
    opening: part.opening,
    machining,
    grain: part.grain,
    grainRuns: part.grainRuns,
    allowance: part.allowance,
    over: part.over,
    bought: part.bought,
    note: part.note,
  };
}

/** A part with more cut and bored in it; the same one where that is nothing. */
export function withMore(part: Part, more: readonly Operation[] | undefined): Part {
  return more && more.length > 0 ? withMachining(part, [...part.machining, ...more]) : part;
}
