import * as z from 'zod/mini';
import { between, type FillWith, fillForm, lengthField, saying } from '../../decisions/index.js';

/** What goes into a drawer or stands on a tray: how high it is (mm), and what all of it weighs (kg). */
const contentsSchema = z.strictObject({
  height: z.optional(lengthField({ min: 1, max: 1500 })),
  weight: z.optional(between(0.1, 300)),
});
export type DrawerContents = z.infer<typeof contentsSchema>;

const runs = {
  contents: z.optional(saying(contentsSchema, { word: 'what goes in' })),
  /** How far its runners, and the box on them, stand above the lowest they can (mm). */
  raised: z.optional(saying(lengthField({ max: 1000 }), { word: 'runners raised', since: 15 })),
};

export const drawerFill = fillForm(
  'opening',
  {
    kind: 'drawer',
    called: 'drawer front',
    rank: 1,
    front: { like: 'drawer', opens: 'out' },
    choices: [{ label: 'Drawer', letter: 'd', begins: { kind: 'drawer' } }],
  },
  runs,
);

export const innerDrawerFill = fillForm(
  'room',
  {
    kind: 'drawer',
    called: 'inner drawer',
    rank: 2,
    choices: [{ label: 'a drawer', begins: { kind: 'drawer' } }],
  },
  runs,
);

export const trayFill = fillForm(
  'room',
  {
    kind: 'tray',
    called: 'tray',
    rank: 3,
    choices: [{ label: 'a pull-out tray', begins: { kind: 'tray' } }],
    inBay: { label: 'Tray in an open bay', letter: 't' },
  },
  runs,
);

/** What is decided of a drawer or a tray, wherever it is. */
export type Runs = Omit<FillWith<'drawer', typeof runs>, 'kind'>;

/** What is decided of what runs in an opening or a room; undefined where nothing does. */
export function runsIn(fill: { readonly kind: string }): Runs | undefined {
  return drawerFill.is(fill) || trayFill.is(fill) ? fill : undefined;
}
