import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import {
  type Job,
  jobByHand,
  readJobText,
  type StartingPoint,
  stableJson,
  startingPoints,
} from '../src/core/document/index.js';
import { houseSetFor } from '../src/core/job/index.js';
import { presentJob } from '../src/core/present/index.js';
import { solve } from '../src/core/solve.js';
import type { LengthStyle } from '../src/core/units/index.js';
import { cutListCsv } from '../src/formats/csv.js';
import { settingsPage, settingsText } from '../src/formats/settings.js';
import { cutListText } from '../src/formats/text.js';
import { BadProblem, type Printed, packFile, sheetsOf } from './sheets.js';

const USAGE = `alcove new [--unit mm|in] [--from base|wall|tall|open]
    Prints a small job with one cabinet, to be changed in an editor. What it leaves out (house, materials, hardware) is
    what a new job starts with.

alcove settings [--unit mm|in] [--page]
    Lists every setting: what it is, what may stand there, what a new job starts with. --page prints the documentation.

alcove solve JOB.json [--tape]
    Prints everything computed from the job as JSON (docs/result-format.md): cabinets, parts, machining, fronts, findings
    with the acts that settle them.
    --tape adds the derivation of every number.

alcove cutlist JOB.json [--csv | --text] [--unit in|mm]
    Prints the cut list, as text unless --csv is given, in the job's unit unless another is asked for.

alcove sheets JOB.json [--method strips|guillotine|nested] [--stages N] [--seconds S | --steps N] [--seed N] [--json]
    Lays the parts out on sheets, material by material, and says how many fewer might be possible. With --steps the same
    job and seed give the same layout everywhere.

alcove pack PROBLEM.json [the same options]
    Lays out a plain packing problem (docs/job-format.md) and prints the layout as JSON. Code 2 where a part fits no
    sheet, 1 where the problem cannot be read.
`;

const COMMANDS = ['new', 'settings', 'solve', 'cutlist', 'sheets', 'pack'] as const;

/** What the person at the terminal did wrong, in one sentence. Ends the program with code 2. */
class Misuse extends Error {}

/** Codes of a program that ends because nobody reads on (as one that is ended by SIGPIPE), or nothing can be written. */
const NOBODY_READS = 141;
const NOT_WRITTEN = 1;

/** What is printed may go to a pipe that is closed early, or to a full disk: both end the program without a stack trace. */
export function endQuietly(output: NodeJS.WriteStream): void {
  output.on('error', (error: NodeJS.ErrnoException) => {
    if (error.code === 'EPIPE') process.exit(NOBODY_READS);
    const why = error.code === 'ENOSPC' ? 'the disk is full' : error.message;
    process.stderr.write(`alcove: the output could not be written: ${why}.\n`);
    process.exit(NOT_WRITTEN);
  });
}

/** Runs one command; returns the exit code: 0 done, 2 a bad call or a bad file; see `sheets.ts` for those of layouts. */
export async function run(args: readonly string[]): Promise<number> {
  try {
    const { text, code } = dispatch(args);
    process.stdout.write(text);
    return code;
  } catch (error) {
    if (error instanceof BadProblem) {
      process.stderr.write(`alcove: ${error.message}\n`);
      return 1;
    }
    if (!(error instanceof Misuse)) throw error;
    process.stderr.write(`alcove: ${error.message}\n`);
    return 2;
  }
}

function dispatch(args: readonly string[]): Printed {
  const { values, positionals } = parse(args);
  const [command, file] = positionals;
  const layout = !values.help && (command === 'pack' || command === 'sheets');
  if (!layout || file === undefined || positionals.length > 2) return { text: printed(values, positionals), code: 0 };
  return command === 'pack' ? packFile(file, values) : sheetsOf(readFile(file), values);
}

function printed(values: Values, positionals: readonly string[]): string {
  const [command, file, ...rest] = positionals;
  if (values.help || command === undefined || command === 'help') return USAGE;
  if (!COMMANDS.some((each) => each === command))
    throw new Misuse(`"${command}" is not a command; there are ${COMMANDS.join(', ')}.`);
  if (values.unit !== undefined && values.unit !== 'mm' && values.unit !== 'in')
    throw new Misuse('--unit takes mm or in.');
  if (command === 'new' || command === 'settings') {
    if (file !== undefined) throw new Misuse(`${command} takes no file; "${file}" is one too many.`);
    const set = houseSetFor(values.unit ?? 'mm');
    if (command === 'settings') return values.page ? settingsPage() : settingsText(set);
    const from = values.from ?? 'base';
    if (!Object.hasOwn(startingPoints, from))
      throw new Misuse(`--from takes one of ${Object.keys(startingPoints).join(', ')}.`);
    return `${stableJson(jobByHand(set, from as StartingPoint), 2)}\n`;
  }
  if (file === undefined) throw new Misuse(`${command} needs the name of a job file.`);
  if (rest.length > 0) throw new Misuse(`${command} takes one job file; "${rest[0]}" is one too many.`);
  const job = readFile(file);
  if (command === 'solve')
    return `${stableJson(presentJob(solve(job), { tape: values.tape ?? false, fixes: true }), 2)}\n`;
  if (values.csv && values.text) throw new Misuse('choose one of --csv and --text.');
  const style: LengthStyle = values.unit ? { ...job.display, unit: values.unit } : job.display;
  return values.csv ? cutListCsv(solve(job), style) : cutListText(solve(job), style);
}

type Values = ReturnType<typeof parse>['values'];

function parse(args: readonly string[]) {
  try {
    return parseArgs({
      args: [...args],
      allowPositionals: true,
      options: {
        help: { type: 'boolean', short: 'h' },
        tape: { type: 'boolean' },
        csv: { type: 'boolean' },
        text: { type: 'boolean' },
        unit: { type: 'string' },
        from: { type: 'string' },
        page: { type: 'boolean' },
        method: { type: 'string' },
        stages: { type: 'string' },
        seconds: { type: 'string' },
        steps: { type: 'string' },
        seed: { type: 'string' },
        json: { type: 'boolean' },
      },
    });
  } catch (error) {
    throw new Misuse(error instanceof Error ? error.message : 'the call could not be read.');
  }
}

function readFile(file: string): Job {
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch {
    throw new Misuse(`the file ${file} cannot be read.`);
  }
  const read = readJobText(text);
  if (!read.ok) {
    const lines = read.errors.map(({ path, where = path, message }) =>
      where ? `  ${where}: ${message}` : `  ${message}`,
    );
    throw new Misuse(`${file} is not a job this program can solve:\n${lines.join('\n')}`);
  }
  return read.value;
}
