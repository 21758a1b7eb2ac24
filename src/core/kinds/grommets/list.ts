import * as z from 'zod/mini';
import { lengthField, listOfCabinet, saying } from '../../decisions/index.js';

/** First version of the document that has them. */
export const SINCE = 17;

const place = (word: string) => z.optional(saying(lengthField({ min: -100, max: 6000 }), { word }));

/**
 * A cable grommet and the part it is in. Its middle is measured in the cabinet, along the two axes its part lies in; what
 * is not said is the middle of the part.
 */
const grommetSchema = z.strictObject({
  id: z.string().check(z.regex(/^[a-zA-Z0-9_-]{1,40}$/, 'an id was expected')),
  /** Key of the part. */
  part: z.string().check(z.minLength(1), z.maxLength(120)),
  /** A grommet by its id; the one of the standard where nothing is said. */
  profile: z.optional(z.string().check(z.minLength(1), z.maxLength(40))),
  left: place('from the left face of the box'),
  behind: place('behind the front edge of the box'),
  up: place('above the underside of the box'),
});
export type Grommet = z.infer<typeof grommetSchema>;

export const grommetList = listOfCabinet<Grommet>('grommets', grommetSchema as unknown as z.ZodMiniType<Grommet>, {
  word: 'cable grommets',
  one: 'cable grommet',
  since: SINCE,
  most: 40,
});
