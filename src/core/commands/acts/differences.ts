import type { Fitting } from '../../build/index.js';
import type { Finding } from '../../cabinet/index.js';
import { Dim } from '../../ground/index.js';
import type { Operation, Part } from '../../part/index.js';
import { check, type SolvedCabinet } from '../../solve/index.js';

/** A size of a part before and after (mm). */
export interface SizeChange {
  readonly what: 'cut length' | 'cut width' | 'thickness';
  readonly before: number;
  readonly after: number;
}

/** What became of a part, or what is otherwise about it in another cabinet. */
export interface PartChange {
  readonly key: string;
  readonly name: string;
  /** Absent where there is none of it. */
  readonly before?: Part;
  readonly after?: Part;
  readonly sizes: readonly SizeChange[];
  /** Its material, where that is another one. */
  readonly material?: { readonly before: string; readonly after: string };
  /** Cuts and holes: how many there were and are, where any of them differs. */
  readonly cuts?: { readonly before: number; readonly after: number };
}

/** What is bought in another number. */
export interface FittingChange {
  readonly name: string;
  readonly before: number;
  readonly after: number;
}

/** Everything that differs between two results, before and after an act or of two cabinets. */
export interface Differences {
  readonly parts: readonly PartChange[];
  readonly fittings: readonly FittingChange[];
  readonly came: readonly Finding[];
  readonly went: readonly Finding[];
}

/** Sizes nearer than this are one size (mm). */
const SAME = 0.0005;

/** Compares two results part by part: by their keys, which say what a part does in its cabinet. */
export function differencesBetween(before: SolvedCabinet, after: SolvedCabinet): Differences {
  const was = new Map(before.parts.map((part) => [part.key, part]));
  const is = new Map(after.parts.map((part) => [part.key, part]));
  const [wasFound, found] = [check(before), check(after)];
  const keys = [...new Set([...was.keys(), ...is.keys()])];
  return {
    parts: keys.flatMap((key) => partChange(key, was.get(key), is.get(key)) ?? []),
    fittings: fittingChanges(before.fittings, after.fittings),
    came: found.filter((finding) => !wasFound.some((other) => alike(other, finding))),
    went: wasFound.filter((finding) => !found.some((other) => alike(other, finding))),
  };
}

/** True where nothing differs. */
export function isNone({ parts, fittings, came, went }: Differences): boolean {
  return parts.length + fittings.length + came.length + went.length === 0;
}

function alike(a: Finding, b: Finding): boolean {
  return a.rule === b.rule && a.what === b.what;
}

function partChange(key: string, before: Part | undefined, after: Part | undefined): PartChange | undefined {
  if (!before || !after) {
    const there = (before ?? after) as Part;
    return { key, name: there.name, sizes: [], ...(before ? { before } : {}), ...(after ? { after } : {}) };
  }
  const size = (what: SizeChange['what'], pick: (part: Part) => number): SizeChange[] =>
    Math.abs(pick(before) - pick(after)) < SAME ? [] : [{ what, before: pick(before), after: pick(after) }];
  const sizes = [
    ...size('cut length', ({ cutLength }) => cutLength.value),
    ...size('cut width', ({ cutWidth }) => cutWidth.value),
    ...size('thickness', ({ thickness }) => thickness.value),
  ];
  const material =
    before.material.id === after.material.id
      ? {}
      : { material: { before: before.material.name, after: after.material.name } };
  const cuts = sameCuts(before.machining, after.machining)
    ? {}
    : { cuts: { before: bores(before.machining), after: bores(after.machining) } };
  if (sizes.length === 0 && !('material' in material) && !('cuts' in cuts)) return undefined;
  return { key, name: after.name, before, after, sizes, ...material, ...cuts };
}

/** How many cuts and holes there are, each hole by itself. */
function bores(operations: readonly Operation[]): number {
  return operations.reduce((sum, operation) => sum + ('positions' in operation ? operation.positions.length : 1), 0);
}

function sameCuts(a: readonly Operation[], b: readonly Operation[]): boolean {
  return a.length === b.length && a.every((operation, at) => said(operation) === said(b[at] as Operation));
}

/** An operation by all its numbers, to a thousandth: reasons and addresses may differ. */
function said(operation: Operation): string {
  return JSON.stringify(operation, (name, value) => {
    if (name === 'reason' || name === 'by' || name === 'holds' || name === 'group') return undefined;
    return value instanceof Dim ? Math.round(value.value * 1000) : value;
  });
}

function fittingChanges(before: readonly Fitting[], after: readonly Fitting[]): FittingChange[] {
  const count = (list: readonly Fitting[]) => {
    const all = new Map<string, number>();
    for (const { name, quantity } of list) all.set(name, (all.get(name) ?? 0) + quantity);
    return all;
  };
  const [was, is] = [count(before), count(after)];
  return [...new Set([...was.keys(), ...is.keys()])].flatMap((name) => {
    const [a, b] = [was.get(name) ?? 0, is.get(name) ?? 0];
    return a === b ? [] : [{ name, before: a, after: b }];
  });
}
