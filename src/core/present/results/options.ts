import { type Cabinet, type JobHead, withSetting } from '../../decisions/index.js';
import { check, solveCabinet } from '../../solve/index.js';

/** What a cabinet would stop for with an option that it does not stop for now: the first sentence of each, once. */
export interface OptionStops {
  readonly option: string;
  readonly stops: readonly string[];
}

/** Every option of a choice as this very cabinet would be with it. One solve for each, and one for the cabinet as it is. */
export function stopsOfOptions(
  head: JobHead,
  cabinet: Cabinet,
  path: string,
  options: readonly string[],
): OptionStops[] {
  const now = new Set(stopsOf(head, cabinet));
  return options.map((option) => {
    const settings = withSetting(cabinet.settings, path.split('/'), option);
    const stops = stopsOf(head, { ...cabinet, settings }).filter((what) => !now.has(what));
    return { option, stops: [...new Set(stops)] };
  });
}

function stopsOf(head: JobHead, cabinet: Cabinet): string[] {
  return check(solveCabinet(head, cabinet)).flatMap(({ severity, what }) => (severity === 'stop' ? [what] : []));
}
