import { type Export, inBytes } from './export.js';

/** The hardware library of a job as an open file; it is given out from the library itself. */
export const hardwareFile: Export = {
  id: 'hardware.json',
  file: (name) => `${name}-hardware.alcove-hardware.json`,
  type: 'application/json; charset=utf-8',
  async write({ hardware }) {
    const { writeHardware } = await import('../../core/decisions/index.js');
    return inBytes(writeHardware(hardware));
  },
};
