import { type Export, inBytes } from './export.js';

/** The job as an open file, the same bytes for the same job. */
export const jobFile: Export = {
  id: 'job.json',
  label: 'Job file',
  file: (name) => `${name}.alcove.json`,
  type: 'application/json; charset=utf-8',
  async write(job) {
    const { writeJob } = await import('../../core/decisions/index.js');
    return inBytes(writeJob(job));
  },
};
