/** The names in a form of keys: `room` and `number` in `shelf/:room/:number`. */
type NamesIn<P extends string> = P extends `${infer Step}/${infer Rest}` ? NameIn<Step> | NamesIn<Rest> : NameIn<P>;
type NameIn<Step extends string> = Step extends `:${infer Name}` | `*${infer Name}` ? Name : never;

/** Makes keys of one form, and reads them. */
export interface KeyForm<Name extends string> {
  of(places: Readonly<Record<Name, string | number>>): string;
  /** What stands at each of its places; undefined for a key of another form. */
  read(key: string | null | undefined): Readonly<Record<Name, string>> | undefined;
}

const takesMany = (step: string) => step.startsWith('*');

/**
 * A form of keys, in steps between slashes: a word, `:name` for one step, or one `*name` for as many as are left by the
 * others. What keys look like is said nowhere else.
 */
export function keyForm<const P extends string>(form: P): KeyForm<NamesIn<P>> {
  const steps = form.split('/');
  const nameOf = (step: string) => (/^[:*]/.test(step) ? step.slice(1) : undefined);
  return {
    of: (places) =>
      steps.map((step) => (places as Readonly<Record<string, string | number>>)[nameOf(step) ?? ''] ?? step).join('/'),
    read(key) {
      const given = key?.split('/') ?? [];
      const more = given.length - steps.length;
      if (more < 0 || (more > 0 && !steps.some(takesMany))) return undefined;
      const read: Record<string, string> = {};
      let from = 0;
      for (const step of steps) {
        const to = from + 1 + (takesMany(step) ? more : 0);
        const own = given.slice(from, to).join('/');
        const name = nameOf(step);
        if (own === '' || (name === undefined && own !== step)) return undefined;
        if (name !== undefined) read[name] = own;
        from = to;
      }
      return read as Readonly<Record<NamesIn<P>, string>>;
    },
  };
}

/** The keys of parts that others ask for; whatever else a part is called by only its maker knows. */
export const partKeys = {
  shelf: keyForm('shelf/:room/:number'),
  /** What stands after an opening or a room: one part, or those of a frame. */
  divider: keyForm('divider/:after'),
  ofDivider: keyForm('divider/:after/*what'),
  plinth: keyForm('plinth/*what'),
  /** A drawer's box, and one part of it; what packs its runners out. */
  box: keyForm('drawer/:opening/box'),
  ofBox: keyForm('drawer/:opening/box/*what'),
  packing: keyForm('drawer/:opening/packing/:hand'),
  spacer: keyForm('drawer/:opening/spacer/*what'),
} as const;
