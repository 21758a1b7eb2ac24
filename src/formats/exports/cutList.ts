import { type Export, inBytes, solvedTelling } from './export.js';

/** The cut list as CSV, lengths as the job shows them or in the unit asked for. */
export const cutList: Export = {
  id: 'cutlist.csv',
  label: 'Cut list, CSV',
  file: (name) => `${name}-cut-list.csv`,
  type: 'text/csv; charset=utf-8',
  inUnits: true,
  async write(job, style, tell) {
    const { cutListCsv } = await import('../csv.js');
    return inBytes(cutListCsv(await solvedTelling(job, tell), style));
  },
};
