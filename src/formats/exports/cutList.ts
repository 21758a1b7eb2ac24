import type { Export } from './export.js';

/** The cut list as CSV, lengths as the job shows them or in the unit asked for. */
export const cutList: Export = {
  id: 'cutlist.csv',
  label: 'Cut list, CSV',
  file: (name) => `${name}-cut-list.csv`,
  type: 'text/csv; charset=utf-8',
  inUnits: true,
  async write(job, style) {
    const [{ cutListCsv }, { solve }] = await Promise.all([import('../csv.js'), import('../../core/solve/index.js')]);
    return cutListCsv(solve(job), style);
  },
};
