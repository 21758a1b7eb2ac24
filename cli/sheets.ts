import { readFileSync } from 'node:fs';
import { performance } from 'node:perf_hooks';
import { METHODS, type Method, pieceName, tooDeep } from '../src/core/decisions/index.js';
import {
  demandOf,
  type Effort,
  layOut,
  layoutInWords,
  type PackProblem,
  pack,
  packProblemSchema,
  piecesByName,
  planFor,
  proposalOf,
  USUAL_WAY,
} from '../src/core/shop/index.js';
import { solve, validate } from '../src/core/solve/index.js';
import { readFile } from './jobFile.js';
import { BadProblem } from './misuse.js';

/** What is asked of a layout at the terminal, as it was typed. */
export interface SheetOptions {
  readonly method?: string | undefined;
  readonly stages?: string | undefined;
  readonly seconds?: string | undefined;
  readonly steps?: string | undefined;
  readonly seed?: string | undefined;
  readonly json?: boolean | undefined;
}

export interface Printed {
  readonly text: string;
  /** 0, or 2 where a part fits no sheet. */
  readonly code: 0 | 2;
}

/** Looked for as long as this where nothing else is said. */
const USUAL_SECONDS = 2;
const NOT_PLACED = 2;

/** `alcove pack`: a plain packing problem in, a layout out. */
export function packFile(file: string, options: SheetOptions, stopped?: () => boolean): Printed {
  const problem = readProblem(file);
  const asked: PackProblem = {
    ...problem,
    ...(options.method === undefined ? {} : { method: methodOf(options.method) }),
    ...(options.stages === undefined ? {} : { stages: wholeOf('--stages', options.stages, 2, 20) }),
  };
  const packing = pack(asked, effortOf(options, stopped), seedOf(options));
  const { bound, unplaced } = packing;
  const sheets = packing.sheets.map(({ placements }) => ({ placements }));
  const result = { sheets, bound, ...(unplaced.length > 0 ? { unplaced } : {}) };
  return { text: `${JSON.stringify(result)}\n`, code: unplaced.length > 0 ? NOT_PLACED : 0 };
}

/** `alcove sheets`: the sheets a job takes, material by material, on what is in stock, round what is cut and locked. */
export function sheetsOf(file: string, options: SheetOptions, stopped?: () => boolean): Printed {
  const job = readFile(file);
  const method = methodOf(options.method ?? USUAL_WAY.method);
  const stages = options.stages === undefined ? null : wholeOf('--stages', options.stages, 2, 20);
  const effort = effortOf(options, stopped);
  const seed = seedOf(options);
  const { trim } = job.workshop.cutting;
  const materials = demandOf(solve(job).cabinets).map((demand) => {
    const accepted = job.layouts?.find(({ id }) => id === demand.material.id);
    const plan = planFor(job, demand, { ...USUAL_WAY, method, stages }, accepted);
    const { layout, unplaced } = proposalOf(plan, layOut(plan.problem, effort, seed));
    const pieces = piecesByName(demand);
    const sheets = layout.sheets.map(({ length, width, trim, offcut, cut, placements }) => ({
      length,
      width,
      trim,
      offcut,
      cut,
      placements: placements.map(({ cabinet, part, locked: _, ...place }) => ({
        id: pieces.get(pieceName(cabinet, part))?.mark ?? '',
        cabinet,
        part,
        ...place,
      })),
    }));
    const { id, name, sheet } = demand.material;
    return {
      material: id,
      name,
      sheet: { length: sheet.length, width: sheet.width, trim },
      kerf: layout.kerf,
      ...(layout.spacing > 0 ? { spacing: layout.spacing } : {}),
      method,
      words: layoutInWords(layout),
      sheets,
      bound: layout.bound,
      unplaced,
    };
  });
  const code = materials.some(({ unplaced }) => unplaced.length > 0) ? NOT_PLACED : 0;
  if (options.json) return { text: `${JSON.stringify({ materials })}\n`, code };
  const lines = materials.flatMap(({ name, sheet, kerf, sheets, words, unplaced }) => [
    `${name}, ${mm(sheet.length)} by ${mm(sheet.width)} mm, trim ${mm(sheet.trim)}, kerf ${mm(kerf)}, ${METHODS[method]}: ${words}`,
    ...sheets.flatMap(({ length, width, offcut, cut, placements }, at) => [
      `  sheet ${at + 1}${offcut ? `, an offcut of ${mm(length)} by ${mm(width)}` : ''}${cut ? ', cut' : ''}`,
      ...placements.map(
        ({ id, x, y, length, width, turned }) =>
          `    ${id.padEnd(8)} ${mm(length)} by ${mm(width)} at ${mm(x)}, ${mm(y)}${turned ? ', turned' : ''}`,
      ),
    ]),
    ...unplaced.map(({ id, quantity, reason }) => `  not placed: ${id}, ${quantity} times: ${reason}`),
  ]);
  return { text: `${lines.join('\n')}\n`, code };
}

const mm = (value: number) => String(Math.round(value * 10) / 10);

function methodOf(word: string): Method {
  if (!Object.hasOwn(METHODS, word)) throw new BadProblem(`--method takes one of ${Object.keys(METHODS).join(', ')}.`);
  return word as Method;
}

function numberOf(name: string, typed: string, least: number, most: number): number {
  const value = Number(typed);
  if (typed.trim() === '' || !Number.isFinite(value) || value < least || value > most)
    throw new BadProblem(`${name} takes a number from ${least} to ${most}; "${typed}" is none.`);
  return value;
}

function wholeOf(name: string, typed: string, least: number, most: number): number {
  const value = numberOf(name, typed, least, most);
  if (!Number.isInteger(value)) throw new BadProblem(`${name} takes a whole number; "${typed}" is none.`);
  return value;
}

function effortOf({ seconds, steps }: SheetOptions, stopped: (() => boolean) | undefined): Effort {
  if (seconds !== undefined && steps !== undefined) throw new BadProblem('choose one of --seconds and --steps.');
  if (steps !== undefined) return { steps: wholeOf('--steps', steps, 0, 1_000_000), ...(stopped ? { stopped } : {}) };
  const long = seconds === undefined ? USUAL_SECONDS : numberOf('--seconds', seconds, 0, 3600);
  return { seconds: long, now: () => performance.now(), ...(stopped ? { stopped } : {}) };
}

function seedOf({ seed }: SheetOptions): number {
  return seed === undefined ? 1 : wholeOf('--seed', seed, 0, 4_294_967_295);
}

function readProblem(file: string): PackProblem {
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch {
    throw new BadProblem(`the file ${file} cannot be read.`);
  }
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    throw new BadProblem(`${file} is not JSON.`);
  }
  const deep = tooDeep(data);
  const read = deep ?? validate(packProblemSchema, data);
  if (read.ok) return read.value as PackProblem;
  const [first] = read.errors;
  throw new BadProblem(
    `${file}: ${first?.path ? `${first.path}: ` : ''}${first?.message ?? 'it is no packing problem'}.`,
  );
}
