import { setTimeout } from 'node:timers/promises';
import type { Job } from '../core/decisions/index.js';
import type { Mark, SheetSize } from '../core/present/index.js';
import { figure } from './compute/pool.js';

/** The first sheet of a job, as it stands on the page before any script has run. */
export interface FirstSheet {
  readonly size: SheetSize;
  readonly marks: readonly Mark[];
}

/** The sheet of the bench in a window of 1280 by 800; what is opened beside and below it takes of it (px). */
const SHEET = { width: 992, height: 614 };
const DECISIONS = 300;
const PARTS = 217;

/** A page waits no longer for it than this (ms). */
const PATIENCE = 250;

/** Views other than these are not drawn before the page can do it itself. */
const DRAWN = new Set([null, 'all']);

/** What the bench shows first of a job; undefined where it shows something else, or the figuring threads are busy. */
export async function firstSheet(
  { document, updatedAt }: { readonly document: Job; readonly updatedAt: string },
  asked: URLSearchParams,
): Promise<FirstSheet | undefined> {
  if (!DRAWN.has(asked.get('view')) || asked.has('zoom')) return undefined;
  const { cabinets, ...head } = document;
  const own = cabinets.find(({ id }) => id === asked.get('cabinet')) ?? cabinets[0];
  if (!own) return undefined;
  const beside = cabinets.filter(({ id, leftNeighbour }) => id === own.leftNeighbour || leftNeighbour === own.id);
  const size = {
    width: SHEET.width - (asked.has('decisions') ? DECISIONS : 0),
    height: SHEET.height - (asked.has('parts') ? PARTS : 0),
  };
  const job = { ...head, layouts: [], standing: [], cabinets: [own, ...beside] };
  const call = { job, id: own.id, size, date: updatedAt.slice(0, 10) };
  // Whatever is wrong with it is told by the page itself, which draws it again. What comes too late is let go: given up,
  // it would take its thread with it.
  const drawn = figure('sheet', call).catch(() => undefined);
  const marks = await Promise.race([drawn, setTimeout(PATIENCE, undefined, { ref: false })]);
  return marks && { size, marks };
}
