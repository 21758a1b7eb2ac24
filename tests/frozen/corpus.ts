/**
 * Cabinets frozen as job documents of version 3, with what came out of them on the day they were frozen. They are read
 * like any stored job, so every later migration carries them along.
 */
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import type { Job } from '../../src/core/decisions/index.js';
import { Dim } from '../../src/core/ground/index.js';
import { presentJob } from '../../src/core/present/index.js';
import { checkJob, fixesFor, readJob, type SolvedJob, solve } from '../../src/core/solve/index.js';

type Data = Record<string, unknown>;

/** One head for all; each entry is a cabinet and the reading of its case sheet. */
export interface Corpus {
  readonly head: Data & { readonly materials: readonly Data[] };
  readonly cabinets: readonly { readonly cabinet: Data; readonly reading: number }[];
}

export const ASPECTS = ['sizes', 'placement', 'operations', 'findings', 'fixes', 'hardware', 'tapes'] as const;
export type Aspect = (typeof ASPECTS)[number];

const file = (name: string) => new URL(name, import.meta.url);
const unpack = (name: string) => JSON.parse(gunzipSync(readFileSync(file(name))).toString('utf8'));

export const readCorpus = (): Corpus => unpack('cabinets.json.gz');
/** A fingerprint per aspect, by name of the job: `demo/…` or the number of a frozen cabinet. */
export const readResults = (): Record<string, readonly string[]> => unpack('results.json.gz');

/** The document of frozen cabinet `at`, as it was stored. */
export function documentOf({ head, cabinets }: Corpus, at: number): Data {
  const { cabinet, reading } = cabinets[at] as Corpus['cabinets'][number];
  const materials = head.materials.map((material) =>
    material.id === 'birch18' ? { ...material, measured: { batch: 'test', readings: [reading] } } : material,
  );
  return { ...head, materials, cabinets: [cabinet] };
}

/** The demo jobs as they were frozen. */
export const DEMO = ['reading-room', 'issue-desk'] as const;
export const demoDocument = (name: string): Data => unpack(`${name}.json.gz`);

export function readDocument(document: Data): Job {
  const read = readJob(document);
  if (!read.ok) throw new Error(JSON.stringify(read.errors));
  return read.value;
}

/** Fields that say how an operation is known, not what is cut. */
const NOT_CUT = new Set(['holds', 'group', 'by', 'reason', 'fastens']);

function written(value: unknown): unknown {
  if (value instanceof Dim) return round(value.value);
  if (typeof value === 'number') return round(value);
  if (Array.isArray(value)) return value.map(written);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([key]) => !NOT_CUT.has(key))
      .map(([key, entry]) => [key, written(entry)])
      .sort(([a], [b]) => ((a as string) < (b as string) ? -1 : 1)),
  );
}

function round(value: number): number {
  const rounded = Math.round(value * 1e6) / 1e6;
  return rounded === 0 ? 0 : rounded;
}

/** What came out of a job, a list of lines per aspect. Written from the outside, so that a rebuilt core can be compared. */
export function resultOf(solved: SolvedJob): Record<Aspect, string[]> {
  const cabinets = solved.cabinets.map((each) => each);
  const parts = cabinets.flatMap((each) => each.parts.map((part) => ({ part, id: `${each.cabinet.id}/${part.key}` })));
  const line = (id: string, value: unknown) => `${id} ${JSON.stringify(value)}`;
  const presented = presentJob(solved, { tape: true }) as unknown as {
    cabinets: (Data & { parts: unknown })[];
    derivations: Record<string, Data>;
  };
  return {
    sizes: parts.map(({ part, id }) =>
      line(id, [
        part.name,
        part.role,
        part.material.id,
        ...[part.length, part.width, part.thickness, part.cutLength, part.cutWidth].map(({ value: mm }) => round(mm)),
        part.bands.map((band) => [band.edge, round(band.thickness.value)]),
        part.hand ?? null,
        part.note ?? null,
        part.grain ?? null,
      ]),
    ),
    placement: parts.map(({ part, id }) => {
      const { origin, u, v, w } = part.placement;
      return line(id, [origin.map(round), u, v, w]);
    }),
    operations: parts.flatMap(({ part, id }) => part.machining.map((each) => line(id, [written(each), each.reason]))),
    // In no order: rules may be registered in another.
    findings: sorted(
      checkJob(solved).map((each) =>
        line(each.cabinetId, [
          each.rule,
          each.severity,
          each.what,
          each.why,
          each.parts,
          each.settings,
          each.at ? [round(each.at.u), round(each.at.v)] : null,
          each.numbers.map(({ label, value: mm }) => [label, round(mm)]),
        ]),
      ),
    ),
    fixes: fixLines(solved),
    hardware: presented.cabinets.map(({ parts: _parts, ...rest }) =>
      JSON.stringify(withoutTapes(withoutYounger(rest))),
    ),
    tapes: tapeLines(presented.derivations),
  };
}

/** Every number's arithmetic, one line each, without the ids that tie them together. */
function tapeLines(derivations: Record<string, Data>): string[] {
  const lines = Object.values(derivations).map(({ label, value, says, reason, source }) =>
    JSON.stringify([label, value, says ?? null, reason ?? null, source ?? null]),
  );
  return [...new Set(lines)].sort();
}

function fixLines(solved: SolvedJob): string[] {
  return sorted(
    checkJob(solved).map((finding) =>
      JSON.stringify([finding.rule, fixesFor(solved, finding.id).map(({ label }) => label)]),
    ),
  );
}

function sorted(lines: string[]): string[] {
  return lines.sort();
}

/** What is said of a cabinet since the frozen day: balanced heights, and kinds of hardware where none is fitted. */
function withoutYounger({ balanced: _balanced, ...rest }: Data): Data {
  const none = (value: unknown) => Array.isArray(value) && value.length === 0;
  return Object.fromEntries(
    Object.entries(rest).filter(([key, value]) => !(YOUNGER_KINDS.includes(key) && none(value))),
  );
}

const YOUNGER_KINDS = ['catches', 'dampers', 'grommets'];

/** Sizes without the number of their derivation. */
function withoutTapes(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withoutTapes);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([key]) => key !== 'tape' && key !== 'derivation')
      .map(([key, entry]) => [key, withoutTapes(entry)]),
  );
}

export function fingerprint(lines: readonly string[]): string {
  return createHash('sha256').update(lines.join('\n')).digest('base64url').slice(0, 12);
}

/** Every frozen job by name, in order. */
export function* frozenJobs(corpus: Corpus, most = Number.POSITIVE_INFINITY): Generator<{ name: string; job: Job }> {
  for (const name of DEMO) yield { name: `demo/${name}`, job: readDocument(demoDocument(name)) };
  for (let at = 0; at < Math.min(most, corpus.cabinets.length); at += 1)
    yield { name: String(at), job: readDocument(documentOf(corpus, at)) };
}

export function solveFrozen(job: Job): Record<Aspect, string[]> {
  return resultOf(solve(job));
}
