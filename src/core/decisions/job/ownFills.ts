import * as z from 'zod/mini';
import { countField } from '../fields.js';
import { type FillForm, fillForm } from './fills.js';
import { heightsField } from './heights.js';

const like = { like: 'door', opens: 'aside' } as const;

const door = fillForm(
  'opening',
  {
    kind: 'door',
    called: 'door',
    rank: 3,
    room: true,
    front: like,
    choices: [
      { label: 'Door, hinged left', letter: 'l', begins: { kind: 'door', hinged: 'left' } },
      { label: 'Door, hinged right', letter: 'r', begins: { kind: 'door', hinged: 'right' } },
    ],
  },
  { hinged: z.enum(['left', 'right']) },
);

const pair = fillForm(
  'opening',
  {
    kind: 'pair',
    called: 'doors',
    rank: 4,
    room: true,
    front: like,
    choices: [{ label: 'Pair of doors', letter: 'p', begins: { kind: 'pair' } }],
  },
  {},
);

/** A false front is fixed: it closes the view where no drawer can run. */
const falseFront = fillForm(
  'opening',
  {
    kind: 'false',
    called: 'false front',
    rank: 2,
    front: { like: 'drawer', opens: 'not' },
    choices: [{ label: 'False front', letter: 'f', begins: { kind: 'false' } }],
  },
  {},
);

const openBay = fillForm(
  'opening',
  {
    kind: 'open',
    called: 'open bay',
    rank: 7,
    room: true,
    choices: [{ label: 'Open bay', letter: 'o', begins: { kind: 'open' } }],
  },
  {},
);

const nothing = fillForm(
  'room',
  {
    kind: 'nothing',
    called: 'room',
    rank: 0,
    choices: [{ label: 'nothing', begins: { kind: 'nothing' } }],
    inBay: { label: 'Niche, nothing in it', letter: 'n' },
  },
  {},
);

export const shelvesFill = fillForm(
  'room',
  {
    kind: 'shelves',
    called: 'room',
    rank: 1,
    choices: [{ label: 'adjustable shelves', begins: { kind: 'shelves', shelves: 1 } }],
    counts: { field: 'shelves', label: 'how many shelves' },
  },
  { shelves: countField(0, 30), shelvesAt: heightsField('shelf') },
);

/** What openings and rooms may be by the construction itself. */
export const ownFills = [door, pair, falseFront, openBay, nothing, shelvesFill] as unknown as readonly FillForm[];
