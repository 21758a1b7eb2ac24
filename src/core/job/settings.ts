import { z } from 'zod';
import { choiceField, type DeepPartial, lengthField, nameField, overridesOf } from './fields.js';

/**
 * Everything a shop decides once and changes now and then: the house standards. A job may override any of them, and
 * so may a single cabinet. Grouped in working order.
 */
export const settingsSchema = z.strictObject({
  depth: z.strictObject({
    means: choiceField('overall depth runs to', {
      carcass: 'the carcass front edge',
      fronts: 'the face of the fronts',
    }),
    bumper: lengthField('bumper gap behind the fronts', { max: 20 }),
  }),
  worktop: z.strictObject({ thickness: lengthField('worktop thickness', { max: 200 }) }),
  toe: z.strictObject({
    kind: choiceField(
      'toe',
      { none: 'none', plinth: 'separate plinth' },
      'A plinth is levelled on its own and the boxes stand on it; without one the box goes down to the floor.',
    ),
    height: lengthField('toe height', { max: 400 }),
    setback: lengthField('toe setback', { max: 300 }),
    rearSetback: lengthField('plinth rear setback', { max: 300 }),
  }),
  top: z.strictObject({
    kind: choiceField(
      'top',
      { full: 'full panel', stretchers: 'two flat stretchers' },
      'Stretchers save sheet and leave room to screw the worktop from below; a full panel is stiffer and shows.',
    ),
    stretcherWidth: lengthField('stretcher width', { min: 20, max: 400 }),
  }),
  back: z.strictObject({
    grooveDepth: lengthField('back groove depth', { min: 1, max: 30 }),
    ease: lengthField('back ease per captured edge', { max: 5 }),
    slip: lengthField('slip in the back groove', { max: 3 }),
    offsetFrom: choiceField('back groove stands', {
      nailer: 'one nailer thickness from the rear',
      set: 'at a set distance from the rear',
    }),
    offset: lengthField('back groove from the rear edge', { max: 200 }),
  }),
  nailer: z.strictObject({ width: lengthField('nailer width', { min: 20, max: 400 }) }),
  fronts: z.strictObject({
    lay: choiceField(
      'the face is divided by',
      { fronts: 'fronts first', openings: 'openings first' },
      'Fronts first: sizes are faces and dividers go behind the gaps. Openings first: sizes are clear openings and faces follow.',
    ),
    reveal: z.strictObject({
      left: lengthField('left reveal', { max: 100 }),
      right: lengthField('right reveal', { max: 100 }),
      top: lengthField('top reveal', { max: 100 }),
      bottom: lengthField('bottom reveal', { max: 100 }),
    }),
    gap: lengthField('gap between fronts', { max: 50 }),
    doorGrain: choiceField('door grain', { up: 'upright', across: 'across' }),
    drawerGrain: choiceField('drawer front grain', { up: 'upright', across: 'across' }),
  }),
  dividers: z.strictObject({
    betweenFronts: choiceField('behind a gap between fronts', {
      stretcher: 'a flat stretcher',
      shelf: 'a fixed shelf',
      none: 'nothing',
    }),
    atOpenBay: choiceField('beside an open bay', {
      stretcher: 'a flat stretcher',
      shelf: 'a fixed shelf',
      none: 'nothing',
    }),
  }),
  banding: z.strictObject({
    frontEdges: choiceField('bands on fronts', { all: 'all four edges', none: 'none' }),
    frontThickness: lengthField('front band thickness', { max: 10 }),
    caseEdges: choiceField('bands on the case', { front: 'front edges', none: 'none' }),
    caseThickness: lengthField('case band thickness', { max: 10 }),
  }),
  shelves: z.strictObject({
    sidePlay: lengthField('shelf play each side', { max: 20 }),
    frontSetback: lengthField('shelf front setback', { max: 200 }),
    rearPlay: lengthField('shelf rear play', { max: 50 }),
  }),
  /** Which material each role is made of, by material id. */
  materials: z.strictObject({
    case: nameField('case material'),
    back: nameField('back material'),
    nailer: nameField('nailer material'),
    plinth: nameField('plinth material'),
    shelf: nameField('shelf material'),
    front: nameField('front material'),
  }),
  /** Outside these the shop wants to be asked. */
  usual: z.strictObject({
    width: z.strictObject({ least: lengthField('narrowest usual cabinet'), most: lengthField('widest usual cabinet') }),
    height: z.strictObject({ least: lengthField('lowest usual cabinet'), most: lengthField('highest usual cabinet') }),
    depth: z.strictObject({
      least: lengthField('shallowest usual cabinet'),
      most: lengthField('deepest usual cabinet'),
    }),
  }),
});

export type Settings = z.infer<typeof settingsSchema>;
export type SettingOverrides = DeepPartial<Settings>;
export const overridesSchema = overridesOf(settingsSchema);
export type MaterialRole = keyof Settings['materials'];
