import type { SchoolId } from '../document/index.js';
import { faceFrame } from '../frame/index.js';
import { back, nailers } from './back.js';
import type { Builder } from './build.js';
import { dividers } from './dividers.js';
import { ends } from './ends.js';
import { bottom, top } from './horizontals.js';
import { sides } from './sides.js';
import { toe } from './toe.js';

/** A school of construction: what it is for, and the builders it works with, in the order parts are listed. */
export interface School {
  readonly label: string;
  /** The trade in one line. */
  readonly trade: string;
  readonly builders: readonly Builder[];
}

/** A frame is built where one is fitted, whatever the school: fitting one is a decision of its own. */
const box: readonly Builder[] = [sides, bottom, top, dividers, back, nailers, toe, ends, faceFrame];

/** Every school there is. What a school brings as standards lies in the house (`house.schools`). */
export const schools: Readonly<Record<SchoolId, School>> = {
  frameless: {
    label: 'Frameless',
    trade: 'More room inside, fewer parts, thin even reveals.',
    builders: box,
  },
  faceFrame: {
    label: 'Face frame',
    trade: 'A stiffer front that scribes to walls and looks traditional; wider reveals, and packing for slides.',
    builders: box,
  },
  traditional: {
    label: 'Traditional casework',
    trade: 'Dadoed sides, web frames and a top that can move; more joinery and stock left on for trimming.',
    builders: box,
  },
};
