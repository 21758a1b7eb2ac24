import { DerivationTable, type Dim, roundForExport } from '../derive/index.js';
import type { Finding } from '../findings/index.js';
import type { Operation } from '../machining/index.js';
import { edgeName, type Part } from '../parts/index.js';
import type { SolvedCabinet, SolvedJob } from '../solve.js';
import { formatMm } from '../units/index.js';

export interface PresentOptions {
  /** Adds every derivation, as a table that sizes refer to by id. */
  readonly tape?: boolean;
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
  const size = (dim: Dim) => (table ? { mm: roundForExport(dim.mm), tape: table.refer(dim) } : roundForExport(dim.mm));
  const cabinets = solved.cabinets.map((cabinet) => presentCabinet(cabinet, size));
  return {
    format: 'alcove-result',
    version: 1,
    job: solved.job.name,
    unit: 'mm',
    cabinets,
    findings: solved.findings.map((finding) => presentFinding(finding, size)),
    ...(table ? { derivations: table.entries } : {}),
  };
}

type Size = (dim: Dim) => number | { mm: number; tape: string };

function presentCabinet({ cabinet, box, face, fronts, rows }: SolvedCabinet, size: Size) {
  const mapped = (sizes: Record<string, Dim>) =>
    Object.fromEntries(Object.entries(sizes).map(([key, dim]) => [key, size(dim)]));
  return {
    id: cabinet.id,
    number: cabinet.number,
    name: cabinet.name,
    kind: cabinet.kind,
    box: mapped({ ...box }),
    openings: face.ok
      ? face.cells.map((cell) => ({
          id: cell.opening.id,
          fill: cell.opening.fill.kind,
          clearWidth: size(cell.clear.width),
          clearHeight: size(cell.clear.height),
        }))
      : [],
    dividers: face.ok
      ? face.dividers.map(({ below, kind, top, underside, centre }) => ({
          below,
          kind,
          ...mapped({ centre, top, underside }),
        }))
      : [],
    fronts: fronts.map((front) => ({
      key: front.key,
      opening: front.openingId,
      kind: front.kind,
      ...mapped({
        left: front.left,
        bottom: front.bottom,
        width: front.width,
        height: front.height,
        ...(front.overlay ? { overlay: front.overlay } : {}),
      }),
    })),
    parts: rows.map(({ mark, quantity, keys, part }) => ({ mark, quantity, keys, ...presentPart(part, size) })),
  };
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
    grain: part.material.grain === 'length' ? 'length' : 'free',
    ...(part.hand ? { hand: part.hand } : {}),
    placement: part.placement,
    machining: part.machining.map((operation) => presentOperation(operation, part, size)),
  };
}

function presentOperation(operation: Operation, part: Part, size: Size) {
  return {
    kind: operation.kind,
    face: operation.face,
    along: operation.along,
    from: edgeName(part.placement, operation.from),
    offset: size(operation.offset),
    width: size(operation.width),
    depth: size(operation.depth),
    reason: operation.reason,
    holds: operation.holds,
  };
}

function presentFinding(finding: Finding, size: Size) {
  const { rule, severity, cabinetId, what, why, parts, settings } = finding;
  return {
    rule,
    severity,
    cabinet: cabinetId,
    what,
    why,
    numbers: finding.numbers.map((dim) => ({ label: dim.label, value: size(dim) })),
    parts,
    settings,
  };
}
