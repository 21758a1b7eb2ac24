import { cutList } from './cutList.js';
import type { Export } from './export.js';
import { hardwareFile } from './hardwareFile.js';
import { jobFile } from './jobFile.js';
import { shopping } from './shoppingList.js';

export type { Tell } from './export.js';

/** Everything a job can be given out as, in the order of the menu. */
export const exports: readonly Export[] = [cutList, shopping, jobFile, hardwareFile];
