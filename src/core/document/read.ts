import type { z } from 'zod';
import { HARDWARE_FORMAT, HARDWARE_VERSION, type Hardware, hardwareSchema, libraries } from '../fitted/index.js';
import { capital } from '../words.js';
import {
  type Cabinet,
  cabinetSchema,
  JOB_FORMAT,
  JOB_VERSION,
  type Job,
  type JobHead,
  jobHeadSchema,
  jobSchema,
} from './document.js';
import { migrateJob, withYounger } from './migrations.js';

/** Something wrong with a document: where, and one plain sentence that says what was expected. */
export interface FieldError {
  /** Slash path into the document; empty for the document as a whole. */
  readonly path: string;
  readonly message: string;
  /** The limit that was passed, where it is one of a number. */
  readonly limit?: { readonly least: boolean; readonly value: number };
}

export type ReadResult<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly errors: readonly FieldError[] };

/** At most this many errors are reported at once. */
const MOST_ERRORS = 20;

/** Reads a whole job document, bringing older versions forward first. */
export function readJob(data: unknown): ReadResult<Job> {
  if (typeof data !== 'object' || data === null || Array.isArray(data))
    return refuse('', 'This is not a job: a JSON object was expected.');
  const { format, version } = data as { format?: unknown; version?: unknown };
  if (format !== JOB_FORMAT)
    return refuse('format', `This is not an Alcove job file: "format" should be "${JOB_FORMAT}".`);
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return refuse('version', 'The version of the job file is missing or is not a whole number.');
  if (version > JOB_VERSION)
    return refuse(
      'version',
      `This file has version ${version}; this Alcove reads up to version ${JOB_VERSION}. Open it with a newer Alcove.`,
    );
  return validate(jobSchema, withYounger(migrateJob(data as Record<string, unknown>, version), version));
}

/** Reads a job file's text. */
export function readJobText(text: string): ReadResult<Job> {
  const parsed = parseJson(text);
  return parsed.ok ? readJob(parsed.value) : parsed;
}

/** Reads the text of a hardware library: profiles of hinges and pulls, each with its units and its source. */
export function readHardwareText(text: string): ReadResult<Hardware> {
  const parsed = parseJson(text);
  if (!parsed.ok) return parsed;
  const data = parsed.value;
  if (typeof data !== 'object' || data === null || Array.isArray(data))
    return refuse('', 'This is not a hardware library: a JSON object was expected.');
  const { format, version, unit, ...library } = data as Record<string, unknown>;
  if (format !== HARDWARE_FORMAT)
    return refuse('format', `This is not a hardware library: "format" should be "${HARDWARE_FORMAT}".`);
  if (version !== HARDWARE_VERSION)
    return refuse('version', `This Alcove reads hardware libraries of version ${HARDWARE_VERSION}.`);
  if (unit !== undefined && unit !== 'mm')
    return refuse('unit', 'The lengths of a hardware library are in millimetres: "unit" should be "mm".');
  // A file may hold some kinds only.
  const none = Object.fromEntries(libraries.map(({ id }) => [id, []]));
  return validate(hardwareSchema, { ...none, ...library });
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

export const readCabinet = (data: unknown): ReadResult<Cabinet> => validate(cabinetSchema, data);
export const readJobHead = (data: unknown): ReadResult<JobHead> => validate(jobHeadSchema, data);

function refuse(path: string, message: string): ReadResult<never> {
  return { ok: false, errors: [{ path, message }] };
}

/** Checks data against a schema and turns what is wrong into sentences with slash paths. */
export function validate<T>(schema: z.ZodType<T>, data: unknown): ReadResult<T> {
  const result = schema.safeParse(data);
  if (result.success) return { ok: true, value: result.data };
  return { ok: false, errors: result.error.issues.flatMap(describe).slice(0, MOST_ERRORS) };
}

const WORDS: Readonly<Record<string, string>> = {
  number: 'a number',
  int: 'a whole number',
  string: 'text',
  boolean: 'true or false',
  object: 'an object',
  array: 'a list',
};

function describe(issue: z.core.$ZodIssue): FieldError[] {
  const path = issue.path.map(String).join('/');
  const at = (message: string): FieldError[] => [{ path, message }];
  switch (issue.code) {
    case 'unrecognized_keys':
      return issue.keys.map((key) => ({
        path: [path, key].filter(Boolean).join('/'),
        message: `"${key}" is not a field Alcove knows here.`,
      }));
    case 'invalid_type':
      return at(
        /received undefined/.test(issue.message)
          ? `This field is missing: ${WORDS[issue.expected] ?? issue.expected} was expected.`
          : `${capital(WORDS[issue.expected] ?? issue.expected)} was expected here.`,
      );
    case 'too_small':
      return [{ path, message: bound(issue, 'at least', issue.minimum), ...limitOf(issue, true, issue.minimum) }];
    case 'too_big':
      return [{ path, message: bound(issue, 'at most', issue.maximum), ...limitOf(issue, false, issue.maximum) }];
    case 'invalid_value':
      return at(`This should be one of: ${issue.values.map(String).join(', ')}.`);
    case 'invalid_union': {
      if ('discriminator' in issue && typeof issue.discriminator === 'string' && issue.errors.length === 0)
        return at(`What kind this is cannot be told from "${issue.discriminator}".`);
      const inner =
        issue.errors[0]?.map((each) => ({ ...each, path: [...issue.path, ...each.path] }) as z.core.$ZodIssue) ?? [];
      return inner.length > 0 && issue.errors.length === 1
        ? inner.flatMap(describe)
        : at('This is none of the values that can stand here.');
    }
    case 'custom':
      return at(`${capital(issue.message)}.`);
    default:
      return at(`${capital(issue.message)}.`);
  }
}

function bound(issue: { origin: string }, word: string, limit: number | bigint): string {
  if (issue.origin === 'string') return `This text should have ${word} ${limit} characters.`;
  if (issue.origin === 'array') return `This list should have ${word} ${limit} entries.`;
  return `This should be ${word} ${limit}.`;
}

function limitOf({ origin }: { origin: string }, least: boolean, value: number | bigint): Pick<FieldError, 'limit'> {
  return origin === 'number' || origin === 'int' ? { limit: { least, value: Number(value) } } : {};
}
