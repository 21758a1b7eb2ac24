import { houseSetFor, type StartingPoint, stableJson, startingPoints } from '../src/core/decisions/index.js';
import type { LengthStyle } from '../src/core/ground/index.js';
import { presentJob } from '../src/core/present/index.js';
import { jobByHand, solve } from '../src/core/solve/index.js';
import { cutListCsv } from '../src/formats/csv.js';
import { settingsPage, settingsText } from '../src/formats/settings.js';
import { cutListText } from '../src/formats/text.js';
import { readFile } from './jobFile.js';
import type { Values } from './main.js';
import { Misuse } from './misuse.js';

/** What `new`, `settings`, `solve` and `cutlist` print. */
export function printed(values: Values, positionals: readonly string[]): string {
  const [command, file, ...rest] = positionals;
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
