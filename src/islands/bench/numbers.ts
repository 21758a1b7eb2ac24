import { loadedShelf, shelfSag } from '../../core/build/index.js';
import { addressOf, numberAt } from '../../core/commands/index.js';
import type { Dim } from '../../core/ground/index.js';
import { numbersOf } from '../../core/part/index.js';
import { machiningTable } from '../../core/present/index.js';
import type { SolvedCabinet } from '../../core/solve/index.js';
import { useBench, useSolvedCabinet } from './context.js';
import type { BenchState } from './store.js';

/**
 * Numbers that are figured where they are shown and stand in no result: found again by what they are shown with. Their
 * addresses begin with the word of where that is: `sag:shelf/o2/1:lasting`.
 */
const SHOWN = {
  /** On a drawing, by its view and the name of the dimension there. */
  drawn: (solved, { drawings }, [view = '', id]) =>
    drawings[view]?.(solved)?.dimensions.find((item) => item.id === id)?.dim,
  /** How a shelf sags under its load, and what it may. */
  sag: (solved, _state, [key, which]) => {
    const part = solved.parts.find((each) => each.key === key);
    const loaded = part && loadedShelf(part, solved.parts, solved.resolved);
    const sag = loaded && shelfSag(loaded);
    return which === 'lasting' ? sag?.lasting : which === 'allowed' ? sag?.allowed : undefined;
  },
  /** In the table of what is cut in a part, by its row and which of its numbers it is: several go by one name. */
  cut: (solved, _state, [key, row, at]) => {
    const part = solved.parts.find((each) => each.key === key);
    const found = part && machiningTable(part)[Number(row)];
    return found && numbersOf(found)[Number(at)];
  },
} satisfies Readonly<
  Record<string, (solved: SolvedCabinet, state: Pick<BenchState, 'drawings'>, of: readonly string[]) => Dim | undefined>
>;

type Shown = keyof typeof SHOWN;

/** The address of a number that stands in no result. */
export function shownAt(where: Shown, ...of: readonly (string | number)[]): string {
  return [where, ...of.map((each) => encodeURIComponent(each))].join(':');
}

/** The number at an address, on a cabinet as it is figured now; undefined once it is gone. */
export function numberOn(solved: SolvedCabinet, state: Pick<BenchState, 'drawings'>, address: string): Dim | undefined {
  const [where = '', ...of] = address.split(':');
  if (!Object.hasOwn(SHOWN, where)) return numberAt(solved, address);
  try {
    return SHOWN[where as Shown](solved, state, of.map(decodeURIComponent));
  } catch (error) {
    // An address that nobody made leads nowhere.
    if (error instanceof URIError) return undefined;
    throw error;
  }
}

/** Opens the tape of a number of the cabinet on the bench, as a number of something where one stands at several places. */
export function useTapeOf(): (
  dim: Dim,
  as?: { readonly within?: object | undefined; readonly inPlace?: true },
) => void {
  const openTape = useBench((state) => state.openTape);
  const solved = useSolvedCabinet();
  return (dim, { within, inPlace } = {}) => {
    const address = solved && addressOf(solved, dim, within);
    if (address !== undefined) openTape(address, inPlace);
  };
}
