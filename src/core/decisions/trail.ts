import type * as z from 'zod/mini';
import { type FieldSays, saidBy } from './fields.js';

/** One step of a way into the document, as its schema has it. */
export interface TrailStep {
  readonly key: string;
  /** What the field says of itself; an entry of a list says what its list does. */
  readonly says: FieldSays;
  /** True for an entry of a list, by its id or its place. */
  readonly entry: boolean;
  /** True for a list of entries that go by ids. */
  readonly list: boolean;
  /** True where the document may leave it out. */
  readonly mayBeLeftOut: boolean;
}

type Schema = z.ZodMiniType;

/** What a schema says of its make; as much of it as is asked for here. */
interface Make {
  readonly type: string;
  readonly innerType?: Schema;
  readonly getter?: () => Schema;
  readonly in?: Schema;
  readonly shape?: Readonly<Record<string, Schema>>;
  readonly element?: Schema;
  readonly options?: readonly Schema[];
  readonly valueType?: Schema;
}

const makeOf = (schema: Schema) => schema.def as unknown as Make;

/** What is inside of all that only wraps it: what may be left out, may be null, or is looked up when it is asked for. */
function bare(schema: Schema): { readonly inner: Schema; readonly says: FieldSays; readonly mayBeLeftOut: boolean } {
  let [inner, says, mayBeLeftOut] = [schema, saidBy(schema), false];
  for (;;) {
    const { type, innerType, getter, in: from } = makeOf(inner);
    const next = innerType ?? getter?.() ?? from;
    if (!next) return { inner, says, mayBeLeftOut };
    mayBeLeftOut ||= type === 'optional';
    inner = next;
    says = { ...saidBy(inner), ...says };
  }
}

/** Every form something may have: each branch of what is one of several. */
function branches(schema: Schema): readonly Schema[] {
  const { inner } = bare(schema);
  const { options } = makeOf(inner);
  return options ? options.flatMap(branches) : [inner];
}

const hasIds = (element: Schema) => branches(element).some((each) => makeOf(each).shape?.id !== undefined);

/** The way into a document along some keys; undefined where the schema knows of none. */
export function trailOf(
  schema: Schema,
  [key, ...rest]: readonly (string | number)[],
): readonly TrailStep[] | undefined {
  if (key === undefined) return [];
  const list = bare(schema).says;
  for (const branch of branches(schema)) {
    const { shape, element, valueType } = makeOf(branch);
    const entry = element !== undefined;
    const next = element ?? valueType ?? (shape && Object.hasOwn(shape, key) ? shape[key] : undefined);
    const further = next && trailOf(next, rest);
    if (!next || !further) continue;
    const { inner, says, mayBeLeftOut } = bare(next);
    const own = makeOf(inner).element;
    return [
      {
        key: String(key),
        says: entry ? { ...list, ...says } : says,
        entry,
        list: own !== undefined && hasIds(own),
        mayBeLeftOut,
      },
      ...further,
    ];
  }
  return undefined;
}

/** The youngest of all that a schema holds: the first version of the document that has all of it. */
export function youngestIn(schema: Schema, seen = new Set<Schema>()): number {
  if (seen.has(schema)) return 1;
  seen.add(schema);
  const { innerType, getter, in: from, shape = {}, element, options = [], valueType } = makeOf(schema);
  const inner = [innerType ?? getter?.() ?? from, element, valueType, ...Object.values(shape), ...options];
  return Math.max(
    saidBy(schema).since ?? 1,
    ...inner.flatMap((each) => (each === undefined ? [] : [youngestIn(each, seen)])),
  );
}
