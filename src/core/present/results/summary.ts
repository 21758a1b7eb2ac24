import type { Finding } from '../../cabinet/index.js';
import type { SolvedCabinet } from '../../solve/index.js';
import { drawThumbnail, type Thumbnail } from '../views/index.js';

/** A job as a list shows it. */
export interface JobSummary {
  readonly id: string;
  readonly name: string;
  readonly version: number;
  readonly updatedAt: string;
  readonly unit: 'mm' | 'in';
  readonly cabinetCount: number;
  /** The first few, in order. */
  readonly cabinets: readonly CabinetSummary[];
  readonly stops: number;
  readonly warnings: number;
  /** So many pieces are cut already and are wanted otherwise now, or by no cabinet any more. */
  readonly cutInVain: number;
  /** So many cabinets are still being figured; they are shown as they were, or not yet. */
  readonly pending: number;
  /** Why its document cannot be read, where that is so: the rest of the list stands. */
  readonly unreadable?: string;
}

export interface CabinetSummary {
  readonly number: string;
  readonly name: string;
  readonly kind: string;
  readonly thumbnail: Thumbnail;
  readonly stops: number;
  readonly warnings: number;
}

/** A cabinet in one line: what it is called, how it looks, what is open, also between it and a neighbour. */
export function summariseCabinet(solved: SolvedCabinet, findings: readonly Finding[]): CabinetSummary {
  const { number, name, kind } = solved.cabinet;
  const count = (severity: string) => findings.filter((finding) => finding.severity === severity).length;
  return { number, name, kind, thumbnail: drawThumbnail(solved), stops: count('stop'), warnings: count('warn') };
}
