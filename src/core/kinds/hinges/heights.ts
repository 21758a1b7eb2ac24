import { type DecidedHeight, heightsField, type OwnPath, pathTo } from '../../decisions/index.js';

/** Hinge centres above the lower edge of the door, as a fill of doors has them; both doors of a pair alike. */
const hung = { hingesAt: heightsField('hinge') };
export const onDoors = { door: hung, pair: hung };

interface Decided {
  readonly fill: object;
  readonly path: OwnPath;
}

/** The heights that are decided for the hinges of an opening; undefined where none are. */
export function hingesAt({ fill }: Pick<Decided, 'fill'>): readonly DecidedHeight[] | undefined {
  return 'hingesAt' in fill ? (fill.hingesAt as readonly DecidedHeight[] | undefined) : undefined;
}

/** Where they are decided. */
export const hingesAtPath = ({ path }: Pick<Decided, 'path'>): OwnPath => pathTo.entry(path, 'fill/hingesAt');
