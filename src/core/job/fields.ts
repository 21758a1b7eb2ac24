import { z } from 'zod';

/**
 * Building blocks of the document schema. A field declares its label once; settings, tapes, forms and error
 * messages all read it from here.
 */
export interface FieldMeta {
  readonly label: string;
  /** `mm` for lengths, `plain` for counts and shares, `choice` for words. */
  readonly measure: 'mm' | 'plain' | 'choice';
  /** One line on what the choice costs or gains, per option or for the field. */
  readonly trade?: string;
  readonly options?: Readonly<Record<string, string>>;
}

const registry = z.registry<FieldMeta>();

export function metaOf(schema: z.ZodType): FieldMeta | undefined {
  return registry.get(schema);
}

/** A length in mm between two limits. */
export function lengthField(label: string, limits: { min?: number; max?: number; trade?: string } = {}) {
  const schema = z
    .number()
    .min(limits.min ?? 0)
    .max(limits.max ?? 5000);
  registry.add(schema, { label, measure: 'mm', ...(limits.trade ? { trade: limits.trade } : {}) });
  return schema;
}

export function countField(label: string, min: number, max: number) {
  const schema = z.int().min(min).max(max);
  registry.add(schema, { label, measure: 'plain' });
  return schema;
}

export function shareField(label: string, min: number, max: number) {
  const schema = z.number().min(min).max(max);
  registry.add(schema, { label, measure: 'plain' });
  return schema;
}

/** One word out of several; `options` maps each word to how it reads. */
export function choiceField<const T extends Record<string, string>>(label: string, options: T, trade?: string) {
  const keys = Object.keys(options) as [keyof T & string, ...(keyof T & string)[]];
  const schema = z.enum(keys);
  registry.add(schema, { label, measure: 'choice', options, ...(trade ? { trade } : {}) });
  return schema;
}

/** A short text that names something, such as a material id. */
export function nameField(label: string, max = 80) {
  const schema = z.string().trim().min(1).max(max);
  registry.add(schema, { label, measure: 'choice' });
  return schema;
}

export type DeepPartial<T> = T extends object ? { [K in keyof T]?: DeepPartial<T[K]> } : T;

/** The same settings with every one optional: an override layer. Unknown fields stay refused. */
export function overridesOf<S extends z.ZodObject>(schema: S): z.ZodType<DeepPartial<z.infer<S>>> {
  const shape = Object.fromEntries(
    Object.entries(schema.shape).map(([key, field]) => [
      key,
      (field instanceof z.ZodObject ? overridesOf(field) : (field as z.ZodType)).optional(),
    ]),
  );
  return z.strictObject(shape) as unknown as z.ZodType<DeepPartial<z.infer<S>>>;
}
