import { inches } from '../../ground/index.js';
import { count, length, section, share } from './declare.js';

export const web = section('Web frames', {
  web: {
    member: length('web frame member width', { min: 20, max: 300, metric: 70, inch: inches(2 + 3 / 4) }),
    crossMembers: count('web frame cross members', { min: 2, max: 12, metric: 3 }),
    tenon: length('web frame tenon', { max: 60, metric: 0 }),
    allowance: length('trimming allowance', { max: 40, metric: 6, inch: inches(1 / 4) }),
  },
  movement: { moistureChange: share('expected moisture change, per cent', { min: 0, max: 20, metric: 4 }) },
});
