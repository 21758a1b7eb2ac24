import type * as z from 'zod/mini';
import { capital } from '../../ground/index.js';
import { withLeftOut } from './byHand.js';
import type { Form } from './form.js';
import { HARDWARE_FORMAT, HARDWARE_VERSION, type Hardware } from './hardware.js';
import { migrateJob } from './migrations/index.js';
import { isLength, lengthAt, placeInWords, putNumber, valueIn } from './places.js';
import { type Cabinet, FIRST_BY_HAND, JOB_FORMAT, type Job, type JobHead } from './schemas.js';
import { neighbourProblems } from './together.js';
import { withYounger } from './younger.js';

/** Something wrong with a document: where, and one plain sentence that says what was expected. */
export interface FieldError {
  /** Slash path into the document; empty for the document as a whole. */
  readonly path: string;
  /** The same place in words: "cabinet 3, size/width". */
  readonly where?: string;
  readonly message: string;
  /** The limit that was passed, where it is one of a number. */
  readonly limit?: { readonly least: boolean; readonly value: number };
}

export type ReadResult<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly errors: readonly FieldError[] };

/** No document nests deeper than this, whatever it says. */
const DEEPEST = 100;

/** At most this many errors are told one by one. */
const MOST_ERRORS = 100;

/** Reads a whole job document, bringing older versions forward first. */
export function readJob(form: Form, data: unknown): ReadResult<Job> {
  if (typeof data !== 'object' || data === null || Array.isArray(data))
    return refuse('', 'This is not a job: a JSON object was expected.');
  const deep = tooDeep(data);
  if (deep) return deep;
  const { format, version } = data as { format?: unknown; version?: unknown };
  if (format !== JOB_FORMAT)
    return refuse('format', `This is not an Alcove job file: "format" should be "${JOB_FORMAT}".`);
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return refuse('version', 'The version of the job file is missing or is not a whole number.');
  if (version > form.version)
    return refuse(
      'version',
      `This file has version ${version}; this Alcove reads up to version ${form.version}. Open it with a newer Alcove.`,
    );
  return validate(
    form,
    form.job,
    withYounger(form, migrateJob(data as Record<string, unknown>, version, form.version, form.migrations), version),
  );
}

/**
 * Reads a job file's text. What a file by hand leaves out is what a new job starts with; a length may be written with its
 * unit.
 */
export function readJobText(form: Form, text: string): ReadResult<Job> {
  const parsed = parseJson(text);
  if (!parsed.ok) return parsed;
  const { value } = parsed;
  const deep = tooDeep(value);
  if (deep) return deep;
  const { format, version } = (value ?? {}) as { format?: unknown; version?: unknown };
  // From this version on a file by hand is read, whatever it leaves out.
  const since = version === undefined ? form.version : version;
  const younger = typeof since === 'number' && Number.isInteger(since) && since >= FIRST_BY_HAND;
  if (format !== JOB_FORMAT || !younger || since > form.version) return readJob(form, value);
  const whole = withLeftOut(form, migrateJob(value as Record<string, unknown>, since, form.version, form.migrations));
  return readWithLengths(form, form.job, withYounger(form, whole, since));
}

/** Checks data in which lengths may be texts: where the schema wants a number and a text can be read as one, it is. */
function readWithLengths<T>(form: Form, schema: z.ZodMiniType<T>, data: unknown): ReadResult<T> {
  const result = schema.safeParse(data);
  if (result.success) return { ok: true, value: result.data };
  const wrong = new Map<string, FieldError>();
  const current = structuredClone(data);
  for (const path of result.error.issues.flatMap(numbersWanted)) {
    const read = lengthAt(form, data, path);
    if (read?.ok) putNumber(current, path, read.mm);
    else if (read)
      wrong.set(path.join('/'), { path: path.join('/'), where: placeInWords(form, data, path), message: read.message });
  }
  const read = validate(form, schema, current);
  if (read.ok) return read;
  return { ok: false, errors: [...wrong.values(), ...read.errors.filter(({ path }) => !wrong.has(path))] };
}

/** The places at which a number was expected and something else stood. */
function numbersWanted(issue: z.core.$ZodIssue): (string | number)[][] {
  const path = issue.path.filter((key) => typeof key !== 'symbol');
  if (issue.code === 'invalid_type') return issue.expected === 'number' ? [path] : [];
  if (issue.code !== 'invalid_union') return [];
  return issue.errors.flatMap((branch) => branch.flatMap(numbersWanted)).map((inner) => [...path, ...inner]);
}

/** Reads the text of a hardware library: profiles of hinges and pulls, each with its units and its source. */
export function readHardwareText(form: Form, text: string): ReadResult<Hardware> {
  const parsed = parseJson(text);
  if (!parsed.ok) return parsed;
  const data = parsed.value;
  if (typeof data !== 'object' || data === null || Array.isArray(data))
    return refuse('', 'This is not a hardware library: a JSON object was expected.');
  const deep = tooDeep(data);
  if (deep) return deep;
  const { format, version, unit, ...library } = data as Record<string, unknown>;
  if (format !== HARDWARE_FORMAT)
    return refuse('format', `This is not a hardware library: "format" should be "${HARDWARE_FORMAT}".`);
  if (version !== HARDWARE_VERSION)
    return refuse('version', `This Alcove reads hardware libraries of version ${HARDWARE_VERSION}.`);
  if (unit !== undefined && unit !== 'mm')
    return refuse('unit', 'The lengths of a hardware library are in millimetres: "unit" should be "mm".');
  // A file may hold some kinds only.
  const none = Object.fromEntries(form.kinds.map(({ id }) => [id, []]));
  return validate(form, form.hardware, { ...none, ...library });
}

/** Refuses what nests too deep before anything walks down into it; itself it goes level by level. */
export function tooDeep(data: unknown): { readonly ok: false; readonly errors: readonly FieldError[] } | undefined {
  let level: unknown[] = [data];
  for (let depth = 0; level.length > 0; depth += 1) {
    if (depth > DEEPEST)
      return refuse('', `This nests more than ${DEEPEST} levels deep, which nothing that can be built does.`);
    const next: unknown[] = [];
    for (const value of level)
      if (typeof value === 'object' && value !== null) for (const each of Object.values(value)) next.push(each);
    level = next;
  }
  return undefined;
}

function parseJson(text: string): ReadResult<unknown> {
  try {
    return { ok: true, value: JSON.parse(text.replace(/^\uFEFF/, '')) };
  } catch (error) {
    return refuse(
      '',
      `The file is not valid JSON: ${error instanceof Error ? error.message : 'it could not be read'}.`,
    );
  }
}

/**
 * Checks a job of which only the places that are named may be other than good: their cabinets, and the head with them. A
 * change of the materials is one of every cabinet.
 */
export function readTouched(form: Form, job: Job, places: readonly string[]): ReadResult<Job> {
  const keys = places.map((place) => place.split('/'));
  const { cabinets } = job;
  if (keys.some(([list, id]) => list === 'materials' || (list === 'cabinets' && id === undefined)))
    return validate(form, form.job, job);
  const touched = new Set(keys.flatMap(([list, id]) => (list === 'cabinets' && id !== undefined ? [id] : [])));
  const shown = cabinets.map((cabinet, at) => ({ cabinet, at })).filter(({ cabinet }) => touched.has(cabinet.id));
  // Rows of cabinets are another check: here each stands alone, unless what it stands beside is no cabinet at all.
  const ids = new Set<unknown>(cabinets.map(({ id }) => id));
  const alone = shown.map(({ cabinet }) =>
    ids.has(cabinet.leftNeighbour) ? { ...cabinet, leftNeighbour: null } : cabinet,
  );
  const read = validate(form, form.jobOf(new Set(keys.map(([field = '']) => field))), { ...job, cabinets: alone });
  if (!read.ok)
    return {
      ok: false,
      errors: read.errors.map((error) => ({
        ...error,
        path: error.path.replace(/^cabinets\/(\d+)/, (_, at) => `cabinets/${shown[Number(at)]?.at ?? at}`),
      })),
    };
  const [row] = neighbourProblems(cabinets);
  if (row) return refuse(`cabinets/${row.at}/leftNeighbour`, `${capital(row.message)}.`);
  const checked = new Map(read.value.cabinets.map((cabinet) => [cabinet.id, cabinet]));
  return {
    ok: true,
    value: {
      ...read.value,
      cabinets: cabinets.map((cabinet) => {
        const known = checked.get(cabinet.id);
        return known ? { ...known, leftNeighbour: cabinet.leftNeighbour } : cabinet;
      }),
    },
  };
}

export const readCabinet = (form: Form, data: unknown): ReadResult<Cabinet> => validate(form, form.cabinet, data);
export const readJobHead = (form: Form, data: unknown): ReadResult<JobHead> => validate(form, form.head, data);

function refuse(path: string, message: string): { ok: false; errors: FieldError[] } {
  return { ok: false, errors: [{ path, message }] };
}

/** Checks data against a schema and turns what is wrong into sentences with slash paths. */
export function validate<T>(form: Form, schema: z.ZodMiniType<T>, data: unknown): ReadResult<T> {
  const result = schema.safeParse(data);
  if (result.success) return { ok: true, value: result.data };
  const { issues } = result.error;
  const errors = issues.slice(0, MOST_ERRORS).flatMap((issue) => describe(form, issue, data));
  const more = issues.length - MOST_ERRORS;
  const last: FieldError[] = more > 0 ? [{ path: '', message: `There are ${more} more things wrong.` }] : [];
  return { ok: false, errors: [...errors, ...last] };
}

const WORDS: Readonly<Record<string, string>> = {
  number: 'a number',
  int: 'a whole number',
  string: 'text',
  boolean: 'true or false',
  object: 'an object',
  array: 'a list',
};

function describe(form: Form, issue: z.core.$ZodIssue, data: unknown): FieldError[] {
  const keys = issue.path.filter((key) => typeof key !== 'symbol');
  const path = keys.join('/');
  const where = placeInWords(form, data, keys);
  const at = (message: string): FieldError[] => [{ path, where, message }];
  const unit = isLength(form, keys) ? ' mm' : '';
  const missing = keys.length > 0 && valueIn(data, keys) === undefined;
  const wanted = (what: string) => (missing ? `"${keys.at(-1)}" is missing: ${what} was expected.` : undefined);
  switch (issue.code) {
    case 'unrecognized_keys':
      return issue.keys.map((key) => ({
        path: [path, key].filter(Boolean).join('/'),
        where: placeInWords(form, data, [...keys, key]),
        message: `"${key}" is not a field Alcove knows here.`,
      }));
    case 'invalid_type':
      return at(
        wanted(WORDS[issue.expected] ?? issue.expected) ??
          `${capital(WORDS[issue.expected] ?? issue.expected)} was expected here.`,
      );
    case 'too_small':
      return at(bound(issue, 'at least', issue.minimum, unit)).map((each) => ({
        ...each,
        ...limitOf(issue, true, issue.minimum),
      }));
    case 'too_big':
      return at(bound(issue, 'at most', issue.maximum, unit)).map((each) => ({
        ...each,
        ...limitOf(issue, false, issue.maximum),
      }));
    case 'invalid_value':
      return at(oneOf(issue.values, wanted));
    case 'invalid_format':
      // A pattern says nothing to a maker; what was meant does.
      return at(
        /pattern/i.test(issue.message)
          ? 'This text does not have the form that is expected here.'
          : `${capital(issue.message)}.`,
      );
    case 'invalid_union': {
      const options = 'options' in issue && Array.isArray(issue.options) ? issue.options : literalsOf(issue.errors);
      if (options.length > 0) return at(oneOf(options, wanted));
      const kinds = kindsOf(issue.errors);
      if (kinds) {
        const field = [...keys, kinds.field];
        const said =
          valueIn(data, field) === undefined
            ? `"${kinds.field}" is missing: one of ${kinds.values.join(', ')} was expected.`
            : oneOf(kinds.values, () => undefined);
        return [{ path: field.join('/'), where: placeInWords(form, data, field), message: said }];
      }
      const inner =
        issue.errors[0]?.map((each) => ({ ...each, path: [...issue.path, ...each.path] }) as z.core.$ZodIssue) ?? [];
      return inner.length > 0 && issue.errors.length === 1
        ? inner.flatMap((each) => describe(form, each, data))
        : at(wanted('a value') ?? 'This is none of the values that can stand here.');
    }
    case 'custom':
      return at(`${capital(issue.message)}.`);
    default:
      return at(`${capital(issue.message)}.`);
  }
}

function oneOf(values: readonly unknown[], wanted: (what: string) => string | undefined): string {
  const list = values.map(String).join(', ');
  return wanted(`one of ${list}`) ?? `This should be one of: ${list}.`;
}

/** The values of a union in which each branch is one. */
function literalsOf(branches: readonly (readonly z.core.$ZodIssue[])[]): unknown[] {
  const values = branches.map(([only, more]) => (only?.code === 'invalid_value' && !more ? only.values : undefined));
  return values.every((each) => each !== undefined) ? values.flat() : [];
}

/** What a field may say in a union whose branches are told apart by it; undefined where they are told apart otherwise. */
function kindsOf(
  branches: readonly (readonly z.core.$ZodIssue[])[],
): { readonly field: string; readonly values: readonly unknown[] } | undefined {
  const told = branches.flatMap((issues) => {
    const found = issues.find(
      ({ code, path }) => path.length === 1 && (code === 'invalid_union' || code === 'invalid_value'),
    );
    if (!found) return [];
    const values =
      found.code === 'invalid_value' ? found.values : 'options' in found ? (found.options as readonly unknown[]) : [];
    return values.length > 0 ? [{ field: String(found.path[0]), values }] : [];
  });
  const [first] = told;
  if (!first || told.length < branches.length || told.some(({ field }) => field !== first.field)) return undefined;
  return { field: first.field, values: told.flatMap(({ values }) => values) };
}

function bound(issue: { origin: string }, word: string, limit: number | bigint, unit: string): string {
  if (issue.origin === 'string') return `This text should have ${word} ${limit} characters.`;
  if (issue.origin === 'array') return `This list should have ${word} ${limit} entries.`;
  return `This should be ${word} ${limit}${unit}.`;
}

function limitOf({ origin }: { origin: string }, least: boolean, value: number | bigint): Pick<FieldError, 'limit'> {
  return origin === 'number' || origin === 'int' ? { limit: { least, value: Number(value) } } : {};
}
