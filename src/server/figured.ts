import { type Built, builtOf } from '../core/corrections/index.js';
import type { Cabinet, Job } from '../core/document/index.js';
import { type CabinetSummary, summariseCabinet } from '../core/present/index.js';
import { findingsBetween, solveCabinet } from '../core/solve.js';

/** A cabinet as a list shows it, with what was found between it and its left neighbour; and what it comes to. */
export function figured(job: Job, cabinet: Cabinet): { summary: CabinetSummary; built: Built } {
  const solved = solveCabinet(job, cabinet);
  const left = job.cabinets.find(({ id }) => id === cabinet.leftNeighbour);
  const summary = summariseCabinet(solved, left ? findingsBetween(job, solveCabinet(job, left), solved) : []);
  return { summary, built: builtOf(solved) };
}
