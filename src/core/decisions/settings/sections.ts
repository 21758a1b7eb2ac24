import { backs } from './backs.js';
import { banding } from './banding.js';
import { cautionSettings } from './cautions.js';
import { construction } from './construction.js';
import { ends } from './ends.js';
import { frame } from './frame.js';
import { fronts } from './fronts.js';
import { type JointWords, jointSettings } from './joints.js';
import { making } from './making.js';
import { roles } from './roles.js';
import { shelves } from './shelves.js';
import { toe } from './toe.js';
import { topAndBottom } from './topAndBottom.js';
import { usual } from './usual.js';
import { web } from './web.js';

/** The settings of the construction in working order; those of what is fitted stand between `before` and `after`. */
export const settingSections = (joints: readonly JointWords[]) =>
  ({
    before: [construction, ends, toe, topAndBottom, jointSettings(joints), backs, frame, web, making, fronts],
    after: [banding, shelves, roles, usual, cautionSettings],
  }) as const;
