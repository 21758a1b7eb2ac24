import { parseArgs } from 'node:util';
import { layInThread } from './laying.js';
import { BadProblem, Misuse } from './misuse.js';
import type { Printed } from './sheets.js';

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
    job and seed give the same layout everywhere. Ctrl C ends the search and prints what was found so far.

alcove pack PROBLEM.json [the same options]
    Lays out a plain packing problem (docs/job-format.md) and prints the layout as JSON. Code 2 where a part fits no
    sheet, 1 where the problem cannot be read.
`;

const COMMANDS = ['new', 'settings', 'solve', 'cutlist', 'sheets', 'pack'] as const;

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
    const { text, code } = await dispatch(args);
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

async function dispatch(args: readonly string[]): Promise<Printed> {
  const { values, positionals } = parse(args);
  const [command, file, ...rest] = positionals;
  if (values.help || command === undefined || command === 'help') return { text: USAGE, code: 0 };
  if (!COMMANDS.some((each) => each === command))
    throw new Misuse(`"${command}" is not a command; there are ${COMMANDS.join(', ')}.`);
  const lays = command === 'pack' || command === 'sheets';
  // What figures is loaded where it is asked for: layouts load it in their own thread.
  if (lays && file !== undefined && rest.length === 0) return layInThread({ kind: command, file, options: values });
  const { printed } = await import('./printed.js');
  return { text: printed(values, positionals), code: 0 };
}

export type Values = ReturnType<typeof parse>['values'];

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
