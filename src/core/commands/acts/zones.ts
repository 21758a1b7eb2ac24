import { type Act, type Cabinet, type IdMaker, pathTo } from '../../decisions/index.js';
import type { SolvedCabinet } from '../../solve/index.js';

/** A keep-out box begins as large as a waste pipe with its trap (mm). */
const PIPE = { width: 120, height: 250, depth: 120 } as const;

/** A keep-out box to begin with: in the middle of the back, on the bottom. */
export function addZone({ cabinet, box }: SolvedCabinet, ids: IdMaker): Act {
  const zone: NonNullable<Cabinet['zones']>[number] = {
    id: ids('z'),
    name: 'pipe',
    left: Math.max(0, Math.round((box.width.value - PIPE.width) / 2)),
    up: Math.round(box.bottomTop.value),
    behind: Math.max(0, Math.round(box.clearDepth.value - PIPE.depth)),
    ...PIPE,
  };
  return { label: 'Keep-out box added', edits: [{ path: pathTo.zones(cabinet.id), insert: zone }] };
}
