import { balanceOf, frameSizes, grainGroups, type Rectangle } from '../../build/index.js';
import type { Finding } from '../../cabinet/index.js';
import { assemblyOf } from '../../check/index.js';
import { type ReadAs, sourceOf } from '../../decisions/index.js';
import { DerivationTable, Dim, formatMm, roundForExport } from '../../ground/index.js';
import { type Edge, edgeName, type Operation, type Part, partKeys } from '../../part/index.js';
import {
  allKinds,
  type Converted,
  checker,
  checkPairs,
  type Fitted,
  fixesFor,
  type SolvedCabinet,
  type SolvedJob,
} from '../../solve/index.js';
import { cautionsFor } from '../cautions/index.js';

export interface PresentOptions {
  /** Adds every derivation, as a table that sizes refer to by id. */
  readonly tape?: boolean;
  /** Adds to every finding the acts that settle it; each is tried on a copy, which takes a solve. */
  readonly fixes?: boolean;
}

/**
 * The whole result as plain data, for the command line and other programs. Lengths in mm, settled to 1e-6. With the
 * tape every length becomes `{ mm, tape }`, where `tape` is the id of its derivation.
 */
export function presentJob(solved: SolvedJob, options: PresentOptions = {}) {
  const table = options.tape
    ? new DerivationTable((value, measure) =>
        measure === 'mm' ? formatMm(value, 0.001) : String(roundForExport(value)),
      )
    : undefined;
  // A number is written for the cabinet it is of: those that are decided alike share it.
  const sizeOf = (cabinet: ReadAs): Size => {
    const refer = table?.of((source) => sourceOf(cabinet, source));
    return (dim) => (refer ? { mm: roundForExport(dim.value), tape: refer(dim) } : roundForExport(dim.value));
  };
  const found = solved.cabinets.map(checker());
  const sizes = new Map(solved.cabinets.map(({ cabinet }) => [cabinet.id, sizeOf(cabinet)]));
  const cabinets = solved.cabinets.map((cabinet, at) => ({
    ...presentCabinet(cabinet, sizes.get(cabinet.cabinet.id) as Size, found[at] ?? []),
    cautions: cautionsFor(solved.job, cabinet),
  }));
  return {
    format: 'alcove-result',
    version: 1,
    job: solved.job.name,
    unit: 'mm',
    cabinets,
    findings: [...found.flat(), ...checkPairs(solved)].map((finding) => ({
      ...presentFinding(finding, sizes.get(finding.cabinetId) as Size),
      ...(options.fixes ? { fixes: fixesFor(solved, finding.id) } : {}),
    })),
    ...(solved.standing.length > 0
      ? { standing: solved.standing.map((each) => presentStanding(each, sizeOf(each.cabinet))) }
      : {}),
    ...(table ? { derivations: table.entries } : {}),
  };
}

type Size = (dim: Dim) => number | { mm: number; tape: string };

function presentCabinet(solved: SolvedCabinet, size: Size, found: readonly Finding[]) {
  const { cabinet, resolved, box, face, fronts, parts, rows, fitted, bays, fittings } = solved;
  const { bottomUnder, topOver, engagement, ...sizes } = box;
  const spans = ({ h, v }: Rectangle) => ({
    left: size(h.low),
    bottom: size(v.low),
    width: size(h.size),
    height: size(v.size),
  });
  const framed = resolved.settings.frame.fitted.value === 'fitted';
  const pieces = new Map(parts.map(({ key, placement, note }) => [key, { key, placement, ...(note ? { note } : {}) }]));
  const balance = balanceOf(solved);
  return {
    id: cabinet.id,
    number: cabinet.number,
    name: cabinet.name,
    kind: cabinet.kind,
    school: resolved.settings.school.value,
    box: { ...mapped(sizes, size), bottomUnder, topOver, engagement: mapped(engagement, size) },
    ...(framed ? { frame: mapped({ ...frameSizes(box, resolved) }, size) } : {}),
    openings: face.ok
      ? face.cells.map((cell) => ({
          id: cell.opening.id,
          fill: cell.fill.kind,
          clear: spans(cell.clear),
          inside: spans(cell.inside),
        }))
      : [],
    dividers: face.ok
      ? [...face.boundaries, ...solved.interiors.boundaries].map(({ after, axis, kind, centre, inside }) => ({
          after,
          axis,
          kind,
          centre: size(centre),
          low: size(inside.low),
          high: size(inside.high),
        }))
      : [],
    rooms: solved.interiors.compartments.map(({ id, cell, fill, inside }) => ({
      id,
      opening: cell.opening.id,
      fill: fill.kind,
      ...spans(inside),
    })),
    ...(cabinet.zones ? { zones: cabinet.zones } : {}),
    ...(solved.leftOut.length > 0 ? { leftOut: solved.leftOut } : {}),
    fronts: fronts.map((front) => ({
      key: front.key,
      opening: front.openingId,
      kind: front.kind,
      ...spans(front),
      weight: size(front.weight),
      ...(front.overlay ? { overlay: size(front.overlay) } : {}),
    })),
    parts: rows.map(({ mark, quantity, keys, part }) => ({
      mark,
      quantity,
      keys,
      ...presentPart(part, size),
      // Alike parts stand in different places: each says its own.
      pieces: keys.flatMap((key) => pieces.get(key) ?? []),
    })),
    ...presentFitted(fitted, size),
    shelves: bays.flatMap(({ room, places }) =>
      places.map(({ underside, hole }, at) => ({
        key: partKeys.shelf.of({ room: room.id, number: at + 1 }),
        underside: size(underside),
        ...(hole === undefined ? {} : { hole }),
      })),
    ),
    grainBlanks: grainGroups(fronts, resolved).map(({ id, parts, height, width }) => ({
      id,
      parts: parts.map(({ key }) => key),
      height: size(height),
      width: size(width),
    })),
    fittings: fittings.map(({ name, quantity, note }) => ({ name, quantity, note })),
    ...presentAssembly(solved, found),
    // What side length near this one makes both ends of the pin grid alike.
    ...(balance ? { balanced: mappedNumbers(balance) } : {}),
  };
}

/** The order in which its parts go together; there is none to tell while something stops the building. */
function presentAssembly({ parts }: SolvedCabinet, found: readonly Finding[]) {
  if (found.some(({ severity }) => severity === 'stop')) return {};
  return {
    assembly: assemblyOf(parts).steps.map(({ parts: put, way, fastened }) => ({
      parts: put,
      ...(way ? { move: `${way.sign > 0 ? '+' : '-'}${'xyz'[way.axis]}` } : {}),
      fastened,
    })),
  };
}

/** Trays for a cabinet that stands. */
function presentStanding({ standing, trays, rows, fittings, sticks, steps, problems }: Converted, size: Size) {
  return {
    id: standing.id,
    number: standing.number,
    name: standing.name,
    trays: trays.map(({ name, chosen, plan, line, against }) => ({
      name,
      ...(chosen ? { runner: { profile: chosen.profile.id, length: size(chosen.length) } } : {}),
      against: against.map(({ profile, length, why }) => ({ profile, ...(length ? { length } : {}), why })),
      ...(plan
        ? {
            box: {
              outside: size(plan.outside),
              inside: size(plan.inside),
              length: size(plan.length),
              height: size(plan.height),
            },
          }
        : {}),
      ...(line ? { line: size(line) } : {}),
    })),
    parts: rows.map(({ mark, quantity, keys, part }) => ({ mark, quantity, keys, ...presentPart(part, size) })),
    fittings: fittings.map(({ name, quantity, note }) => ({ name, quantity, note })),
    sticks: sticks.map(size),
    steps,
    problems,
  };
}

/** What each kind of fitted thing says of itself. */
function presentFitted(fitted: Fitted, size: Size): Record<string, unknown> {
  return Object.fromEntries(
    allKinds.flatMap(({ id, present }) => (present ? [[id, present(fitted[id as keyof Fitted] as never, size)]] : [])),
  );
}

function mappedNumbers(numbers: object): Record<string, number> {
  return Object.fromEntries(Object.entries(numbers).map(([key, value]) => [key, roundForExport(value as number)]));
}

function mapped(sizes: Record<string, Dim>, size: Size) {
  return Object.fromEntries(Object.entries(sizes).map(([key, dim]) => [key, size(dim)]));
}

function presentPart(part: Part, size: Size) {
  return {
    name: part.name,
    role: part.role,
    material: part.material.id,
    length: size(part.length),
    width: size(part.width),
    thickness: size(part.thickness),
    cutLength: size(part.cutLength),
    cutWidth: size(part.cutWidth),
    bands: part.bands.map((band) => ({ edge: edgeName(part.placement, band.edge), thickness: size(band.thickness) })),
    grain: part.material.grain === 'length' ? (part.grainRuns ?? 'length') : 'free',
    ...(part.over.length > 0
      ? { oversize: part.over.map((each) => ({ edge: edgeName(part.placement, each.edge), size: size(each.size) })) }
      : {}),
    ...(part.bought ? { bought: true } : {}),
    ...(part.grain ? { blank: part.grain } : {}),
    ...(part.hand ? { hand: part.hand } : {}),
    placement: part.placement,
    machining: part.machining.map((operation) => presentOperation(operation, part, size)),
  };
}

/** Numbers become sizes, edges get the names they have in the cabinet; the rest is said as it is. */
function presentOperation(operation: Operation, part: Part, size: Size): unknown {
  const present = (value: unknown, key: string): unknown => {
    if (value instanceof Dim) return size(value);
    if (Array.isArray(value)) return value.map((entry) => present(entry, key));
    if (typeof value === 'object' && value !== null)
      return Object.fromEntries(Object.entries(value).map(([name, entry]) => [name, present(entry, name)]));
    return key === 'from' || key === 'edge' || key === 'corner' ? edgeName(part.placement, value as Edge) : value;
  };
  return present(operation, '');
}

function presentFinding(finding: Finding, size: Size) {
  const { id, rule, severity, cabinetId, what, why, parts, settings, at } = finding;
  return {
    id,
    rule,
    severity,
    cabinet: cabinetId,
    what,
    why,
    numbers: finding.numbers.map((dim) => ({ label: dim.label, value: size(dim) })),
    parts,
    settings,
    // On its first part, along the length and the width.
    ...(at ? { at: { u: roundForExport(at.u), v: roundForExport(at.v) } } : {}),
  };
}
