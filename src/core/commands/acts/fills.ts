import {
  type Fill,
  type FillChoice,
  type FillSays,
  type Interior,
  interiorOf,
  isDivided,
  isSplit,
  type KindFill,
  type LeafFill,
  type Opening,
  type Room,
  type RoomFill,
  startingGraduation,
} from '../../decisions/index.js';
import { capital, type LengthUnit } from '../../ground/index.js';
import { form } from '../../solve/index.js';

/** Divisions, behind all that openings and rooms may be. */
const DIVIDED = { columns: 'divided in columns', rows: 'divided in rows' } as const;
type Division = keyof typeof DIVIDED;
const isDivision = (word: string): word is Division => Object.hasOwn(DIVIDED, word);

interface Listed {
  readonly word: string;
  readonly label: string;
  readonly choice?: FillChoice;
  readonly says?: FillSays;
}

/** The words of what is decided by a choice: `doorLeft`. */
const wordOf = ({ kind, ...rest }: KindFill) =>
  [kind, ...Object.values(rest).flatMap((value) => (typeof value === 'string' ? capital(value) : []))].join('');

function listedIn(book: Readonly<Record<string, FillSays>>, name: (label: string) => string): readonly Listed[] {
  const kinds = Object.values(book).flatMap((says) =>
    says.choices.map((choice): Listed => ({ word: wordOf(choice.begins), label: choice.label, choice, says })),
  );
  return [...kinds, ...Object.entries(DIVIDED).map(([word, label]): Listed => ({ word, label: name(label) }))];
}

/** What an opening may be, in the words of the list of openings; and what a room may be for. */
export const OPENINGS = listedIn(form.fills.opening, capital);
export const ROOMS = listedIn(form.fills.room, (label) => label);

/** The word of the list that a fill goes by. */
export function fillWord(fill: Fill | Interior): string {
  const holds = ({ begins }: FillChoice) =>
    Object.entries(begins).every(
      ([field, value]) => typeof value !== 'string' || (fill as Readonly<Record<string, unknown>>)[field] === value,
    );
  const found = [...OPENINGS, ...ROOMS].find(({ choice }) => choice && holds(choice));
  return found?.word ?? fill.kind;
}

/** The fill a word stands for; a division begins with two of what was there. `ids` names what is new. */
export function fillFor(word: string, before: Fill, ids: () => string, unit: LengthUnit): Fill {
  if (isDivision(word)) {
    if (isSplit(before)) return { ...before, kind: word };
    const part = (): Opening => ({ id: ids(), size: { rule: 'share', weight: 1 }, fill: likeFill(before, ids) });
    return { kind: word, graduation: startingGraduation('arithmetic', unit), parts: [part(), part()] };
  }
  const { choice, says } = OPENINGS.find((each) => each.word === word) ?? {};
  const interior = says?.room ? interiorOf(before) : undefined;
  return { ...choice?.begins, ...(interior ? { interior } : {}) } as LeafFill;
}

/** The opening that is added beside another: closed like it, and free to take its share. */
export function openingLike(fill: Fill | undefined, ids: () => string): Opening {
  const like: Fill = fill && !isSplit(fill) ? likeFill(fill, ids) : { kind: 'drawer' };
  return { id: ids(), size: { rule: 'share', weight: 1 }, fill: like };
}

/** The same once more; rooms behind it are other rooms and have ids of their own. */
function likeFill(fill: Fill, ids: () => string): Fill {
  const copy = structuredClone(fill);
  const interior = interiorOf(copy);
  if (interior) nameAnew(interior, ids);
  return copy;
}

function nameAnew(interior: Interior, ids: () => string): void {
  if (!isDivided(interior)) return;
  for (const room of interior.parts) {
    room.id = ids();
    nameAnew(room.fill, ids);
  }
}

/**
 * The filling a word stands for; a division begins with two of what was there, `ids` names what is new. One that is there
 * already stays as it is.
 */
export function roomFor(word: string, before: Interior | undefined, ids: () => string, unit: LengthUnit): Interior {
  if (isDivision(word)) {
    if (before && isDivided(before)) return { ...before, kind: word };
    const fill = before ?? { kind: 'nothing' };
    const parts = [roomLike(fill, ids), roomLike(fill, ids)];
    return { kind: word, graduation: startingGraduation('arithmetic', unit), parts };
  }
  if (before && fillWord(before) === word) return before;
  return { ...ROOMS.find((each) => each.word === word)?.choice?.begins } as RoomFill;
}

/** The room that is added beside another: filled like it, and free to take its share. */
export function roomLike(fill: Interior | undefined, ids: () => string): Room {
  const like: Interior = fill && !isDivided(fill) ? structuredClone(fill) : { kind: 'nothing' };
  return { id: ids(), size: { rule: 'share', weight: 1 }, fill: like };
}
