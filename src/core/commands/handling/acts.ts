import {
  type Act,
  type Edit,
  type Fill,
  type Interior,
  interiorOf,
  isDivided,
  isFill,
  isSplit,
  type KindFill,
  type Opening,
  pathTo,
  type Split,
  startingGraduation,
} from '../../decisions/index.js';
import { capital, type LengthUnit } from '../../ground/index.js';
import { form, type SolvedCabinet } from '../../solve/index.js';
import { fillFor, OPENINGS, openingLike } from '../acts/index.js';
import { layoutOf, leadingSpans, type OpeningPlace, openingPlaceOf } from './place.js';

/** What an opening can be made with one letter of its menu. */
export const MAKES: Readonly<Record<string, { readonly label: string; readonly word: string } | InBay>> = {
  ...Object.fromEntries(
    OPENINGS.flatMap(({ word, label, choice }) => (choice?.letter ? [[choice.letter, { label, word }]] : [])),
  ),
  ...Object.fromEntries(
    Object.values(form.fills.room).flatMap(({ inBay, choices: [first] }) =>
      inBay && first ? [[inBay.letter, { label: inBay.label, inBay: first.begins }]] : [],
    ),
  ),
};
/** An open bay with something in it. */
interface InBay {
  readonly label: string;
  readonly inBay: KindFill;
}

/** Closes openings with something else, or opens them; what is behind a front stays where it can. */
export function make(
  solved: SolvedCabinet,
  ids: readonly string[],
  key: string,
  newId: () => string,
  unit: LengthUnit,
): Act | undefined {
  const made = MAKES[key];
  if (!made) return undefined;
  const { label } = made;
  const fill = (before: Fill): Fill => {
    if ('inBay' in made) return { kind: 'open', interior: { ...made.inBay } };
    // What was divided becomes one again.
    return fillFor(made.word, isSplit(before) ? { kind: 'open' } : before, newId, unit);
  };
  return {
    label: `${namesOf(solved, ids)}: ${label.toLowerCase()}`,
    edits: places(solved, ids).map(({ path, opening }) => ({
      path: pathTo.openingField(path, 'fill'),
      value: fill(opening.fill),
    })),
  };
}

/** Divides an opening into so many equal ones, each closed as it was; the only opening of a face divides the face. */
export function divide(
  solved: SolvedCabinet,
  id: string,
  axis: Split['kind'],
  count: number,
  newId: () => string,
  unit: LengthUnit,
): Act | undefined {
  const place = openingPlaceOf(solved, id);
  if (!place || count < 2 || count > 24) return undefined;
  const { opening, split, splitPath, path, name } = place;
  const label = `${capital(name)} divided in ${count} ${axis}`;
  const leaf: Fill = isSplit(opening.fill) ? { kind: 'open' } : opening.fill;
  const parts = Array.from({ length: count }, () => openingLike(leaf, newId));
  if (split.parts.length === 1 && splitPath === pathTo.face(solved.cabinet.id)) {
    const [, ...more] = parts;
    return {
      label,
      edits: [
        { path: pathTo.split(splitPath, 'kind'), value: axis },
        ...more.map((part): Edit => ({ path: pathTo.split(splitPath, 'parts'), insert: part })),
      ],
    };
  }
  const value: Split = { kind: axis, graduation: startingGraduation('arithmetic', unit), parts };
  return { label, edits: [{ path: pathTo.openingField(path, 'fill'), value }] };
}

/**
 * Makes an opening and the next of its division one, closed as the first: as large as both and the gap between them where
 * both were decided, else with both their shares. A division of one is none.
 */
export function mergeOpening(solved: SolvedCabinet, id: string): Act | undefined {
  const place = openingPlaceOf(solved, id);
  const next = place?.split.parts[place.at + 1];
  if (!place || !next) return undefined;
  const { opening, split, splitPath, path, name } = place;
  const label = `${capital(name)} made one with the next`;
  const parent = parentOf(solved, place);
  if (split.parts.length === 2 && parent)
    return { label, edits: [{ path: pathTo.openingField(parent.path, 'fill'), value: opening.fill }] };
  const size = mergedSize(solved, opening, next);
  return {
    label,
    edits: [
      { path: pathTo.openingField(path, 'size'), value: size },
      { path: pathTo.openingField(path, 'pin'), value: undefined },
      { path: pathTo.openingField(path, 'divider'), value: next.divider },
      { path: pathTo.openingField(path, 'dividerOff'), value: next.dividerOff },
      { path: pathTo.opening(splitPath, next.id), value: undefined },
    ],
  };
}

function mergedSize(solved: SolvedCabinet, a: Opening, b: Opening): Opening['size'] {
  const found = layoutOf(solved, a.id);
  const held = ({ size, pin }: Opening) => (pin ?? (size.rule === 'fixed' ? size.mm : undefined)) !== undefined;
  if (held(a) && held(b) && found) {
    const spans = leadingSpans(solved, found.layout);
    const [first, second] = [spans[found.at], spans[found.at + 1]];
    if (first && second) {
      const low = Math.min(first.low.value, second.low.value);
      const high = Math.max(first.high.value, second.high.value);
      return { rule: 'fixed', mm: high - low };
    }
  }
  const weight = ({ size }: Opening) => (size.rule === 'share' ? size.weight : 1);
  return { rule: 'share', weight: Math.min(100, weight(a) + weight(b)) };
}

function parentOf(solved: SolvedCabinet, { within }: OpeningPlace): OpeningPlace | undefined {
  return within === undefined ? undefined : openingPlaceOf(solved, within);
}

/** The same opening once more beside it. */
export function duplicate(solved: SolvedCabinet, id: string, newId: () => string): Act | undefined {
  const place = openingPlaceOf(solved, id);
  if (!place || place.split.parts.length >= 24) return undefined;
  const { opening, split, splitPath, at, name } = place;
  const next = split.parts[at + 1]?.id;
  return {
    label: `${capital(name)} once more`,
    edits: [
      {
        path: pathTo.split(splitPath, 'parts'),
        insert: { ...copied(opening, newId), id: newId() },
        ...(next === undefined ? {} : { before: next }),
      },
    ],
  };
}

function copied(opening: Opening, newId: () => string): Opening {
  const { fill } = opening;
  if (!isSplit(fill)) return { ...openingLike(fill, newId), size: opening.size };
  return { ...opening, fill: { ...fill, parts: fill.parts.map((part) => ({ ...copied(part, newId), id: newId() })) } };
}

/** Takes an opening away; undefined for the only one of its division. */
export function remove(solved: SolvedCabinet, id: string): Act | undefined {
  const place = openingPlaceOf(solved, id);
  if (!place || place.split.parts.length === 1) return undefined;
  return { label: `${capital(place.name)} away`, edits: [{ path: place.path, value: undefined }] };
}

/** Gives openings equal shares of what there is for them: all of a division for one of it, or those that are chosen. */
export function distribute(solved: SolvedCabinet, ids: readonly string[]): Act {
  const chosen = places(solved, ids);
  const all =
    chosen.length === 1 && chosen[0]
      ? chosen[0].split.parts.flatMap(({ id }) => openingPlaceOf(solved, id) ?? [])
      : chosen;
  return {
    label: `Equal: ${namesOf(
      solved,
      all.map(({ opening }) => opening.id),
    )}`,
    edits: all.flatMap(({ path, opening }): Edit[] => [
      { path: pathTo.openingField(path, 'size'), value: { rule: 'share', weight: 1 } },
      ...(opening.pin === undefined ? [] : [{ path: pathTo.openingField(path, 'pin'), value: undefined }]),
    ]),
  };
}

/** Holds openings at the sizes they came out at. */
export function pin(solved: SolvedCabinet, ids: readonly string[]): Act {
  return {
    label: `${namesOf(solved, ids)} pinned`,
    edits: places(solved, ids).flatMap(({ path, opening }): Edit[] => {
      const found = layoutOf(solved, opening.id);
      const size = found && leadingSpans(solved, found.layout)[found.at]?.size.value;
      return size === undefined || opening.size.rule === 'fixed'
        ? []
        : [{ path: pathTo.openingField(path, 'pin'), value: size }];
    }),
  };
}

/** Lets openings take their share again. */
export function free(solved: SolvedCabinet, ids: readonly string[]): Act {
  return {
    label: `${namesOf(solved, ids)} let go`,
    edits: places(solved, ids).flatMap(({ path, opening }): Edit[] => [
      ...(opening.pin === undefined ? [] : [{ path: pathTo.openingField(path, 'pin'), value: undefined }]),
      ...(opening.size.rule === 'fixed'
        ? [{ path: pathTo.openingField(path, 'size'), value: { rule: 'share', weight: 1 } }]
        : []),
    ]),
  };
}

/** The whole face the other way round, left for right: columns, what stands between them, and the hands of doors. */
export function mirror({ cabinet }: Pick<SolvedCabinet, 'cabinet'>): Act {
  return {
    label: 'Mirrored',
    edits: [{ path: pathTo.face(cabinet.id), value: mirroredSplit(cabinet.face) }],
  };
}

/** An opening the other way round. */
export function mirrorOne(solved: SolvedCabinet, id: string): Act | undefined {
  const place = openingPlaceOf(solved, id);
  return (
    place && {
      label: `${capital(place.name)} mirrored`,
      edits: [{ path: pathTo.openingField(place.path, 'fill'), value: mirroredFill(place.opening.fill) }],
    }
  );
}

function mirroredSplit(split: Split): Split {
  const parts = split.parts.map((opening) => ({ ...opening, fill: mirroredFill(opening.fill) }));
  return { ...split, parts: split.kind === 'columns' ? turnedRound(parts, true) : parts };
}

function mirroredFill(fill: Fill): Fill {
  if (isSplit(fill)) return mirroredSplit(fill);
  const interior = interiorOf(fill);
  const turned = isFill(fill, 'door')
    ? ({ ...fill, hinged: fill.hinged === 'left' ? 'right' : 'left' } as const)
    : fill;
  return interior ? ({ ...turned, interior: mirroredInterior(interior) } as Fill) : turned;
}

function mirroredInterior(interior: Interior): Interior {
  if (!isDivided(interior)) return interior;
  const parts = interior.parts.map((room) => ({ ...room, fill: mirroredInterior(room.fill) }));
  return { ...interior, parts: interior.kind === 'columns' ? turnedRound(parts, false) : parts };
}

/** Members in reverse; what stands after one stands after the one that comes before it now. */
function turnedRound<T extends { divider?: Opening['divider']; dividerOff?: number | undefined }>(
  parts: readonly T[],
  shifted: boolean,
): T[] {
  return parts.map((_, at) => {
    const own = parts[parts.length - 1 - at] as T;
    const boundary = parts[parts.length - 2 - at];
    const { divider: _divider, dividerOff: _off, ...rest } = own;
    return {
      ...rest,
      ...(boundary?.divider === undefined ? {} : { divider: boundary.divider }),
      ...(shifted && boundary?.dividerOff !== undefined ? { dividerOff: -boundary.dividerOff } : {}),
    } as T;
  });
}

function places(solved: SolvedCabinet, ids: readonly string[]): OpeningPlace[] {
  return ids.flatMap((id) => openingPlaceOf(solved, id) ?? []);
}

function namesOf(solved: SolvedCabinet, ids: readonly string[]): string {
  const names = places(solved, ids).map(({ name }) => name);
  return capital(names.length > 3 ? `${names.length} openings` : names.join(', '));
}
