import * as z from 'zod/mini';
import { inches } from '../../ground/index.js';
import { between, idField, nameField, saying } from '../fields.js';
import { choice, type Declared, type HouseSet, length, name, share, type ValuesOf } from '../settings/index.js';

/** How this shop cuts sheets. */
export const cuttingFigures = {
  kerf: length('saw kerf', { metric: 3.2, inch: inches(1 / 8), max: 20 }),
  trim: length('trimmed off each edge of a sheet', { metric: 10, inch: inches(3 / 8), max: 200 }),
  minimumStrip: length('narrowest strip that is ripped', {
    metric: 40,
    inch: inches(1.5),
    max: 500,
    trade: 'Narrower pieces are trimmed out of a wider strip, held by what is left of it.',
  }),
  safeRip: length('narrowest safe rip', {
    metric: 30,
    inch: inches(1 + 1 / 8),
    max: 300,
    trade: 'A part that is narrower is found and told: cut it from a wider piece with a push block.',
  }),
  breakdown: choice('first cuts', { size: 'to size at once', oversize: 'oversize, then to size' }, { metric: 'size' }),
  oversize: length('left on by the first cuts', { metric: 10, inch: inches(3 / 8), max: 100 }),
  cutter: length('router cutter', { metric: 8, inch: inches(5 / 16), max: 40 }),
  margin: length('margin between routed pieces', { metric: 2, inch: inches(1 / 16), max: 100 }),
  smallPart: length('a routed piece is small under', { metric: 120, inch: inches(5), max: 1000 }),
  keptOff: length('small routed pieces stay off the edges', { metric: 40, inch: inches(1.5), max: 500 }),
  keepLength: length('an offcut is kept from a length of', { metric: 300, inch: inches(12), max: 5000 }),
  keepWidth: length('an offcut is kept from a width of', { metric: 100, inch: inches(4), max: 3000 }),
} as const;

/** How solid wood is bought. */
export const solidFigures = {
  roughLength: length('left on the length of a rough piece', { metric: 50, inch: inches(2), max: 500 }),
  roughWidth: length('left on the width of a rough piece', { metric: 6, inch: inches(1 / 4), max: 100 }),
} as const;

const minutes = (label: string, usual: number) => share(label, { metric: usual, min: 0, max: 600 });

/** What an hour costs, and how long things take. */
export const costFigures = {
  money: name('money', { metric: 'EUR', inch: 'USD' }),
  hour: share('an hour of work costs', { metric: 45, inch: 50, min: 0, max: 10_000 }),
  sheet: minutes('minutes to fetch and set up a sheet', 6),
  setUp: minutes('minutes for a set-up with its test cut', 4),
  cut: minutes('minutes for a saw cut', 0.6),
  band: minutes('minutes for a metre of edge band', 1.5),
  groove: minutes('minutes for a metre of groove, dado or rabbet', 1),
  hole: minutes('minutes for a hole', 0.1),
  part: minutes('minutes to assemble a part', 3),
  fitting: minutes('minutes to fit a piece of hardware', 4),
} as const;

/** The groups of figures a workshop decides, with their titles. */
export const workshopGroups = {
  cutting: { title: 'Cutting', figures: cuttingFigures },
  solid: { title: 'Solid wood', figures: solidFigures },
  costs: { title: 'Costs', figures: costFigures },
} as const;
export type WorkshopGroup = keyof typeof workshopGroups;

type Figures = Readonly<Record<string, Declared<never> | Declared<number> | Declared<string>>>;

function schemaOf<T extends Figures>(figures: T): z.ZodMiniType<ValuesOf<T>> {
  return z.strictObject(
    Object.fromEntries(Object.entries(figures).map(([key, { schema }]) => [key, schema as z.ZodMiniType])),
  ) as unknown as z.ZodMiniType<ValuesOf<T>>;
}

/** What something that is bought costs, by the name it has in the list of what to buy. */
const priceSchema = z.strictObject({
  id: idField,
  name: nameField(200),
  price: between(0, 1e6),
});

export const workshopSchema = z.strictObject({
  cutting: schemaOf(cuttingFigures),
  solid: schemaOf(solidFigures),
  costs: schemaOf(costFigures),
  prices: saying(z.array(priceSchema).check(z.maxLength(1000)), { one: 'price of' }),
});
export type Workshop = z.infer<typeof workshopSchema>;

/** A workshop as a new job begins with it. */
export function startingWorkshop(set: HouseSet): Workshop {
  const values = (figures: Figures) =>
    Object.fromEntries(Object.entries(figures).map(([key, { defaults }]) => [key, defaults[set]]));
  return {
    cutting: values(cuttingFigures) as Workshop['cutting'],
    solid: values(solidFigures) as Workshop['solid'],
    costs: values(costFigures) as Workshop['costs'],
    prices: [],
  };
}

/** What an offcut has to measure to be kept (mm), whichever way it lies. */
export function keptFrom({ cutting }: Workshop): { readonly length: number; readonly width: number } {
  return { length: cutting.keepLength, width: cutting.keepWidth };
}
