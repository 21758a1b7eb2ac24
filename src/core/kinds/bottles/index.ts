import type { Kind } from '../../cabinet/index.js';
import type { NamedProfile } from '../../decisions/index.js';
import { hinges } from '../hinges/index.js';
import { pins } from '../pins/index.js';
import { type BottleCells, fitCells } from './cells.js';
import type { BottleAfter } from './context.js';
import { bottleRoom } from './fills.js';
import { bottleRules } from './rules.js';
import { type BottleSettings, bottleSettings } from './settings.js';

/** Cells for bottles: boards slotted into each other, a loose crate in its room. */
export const bottles: Kind<'bottles', BottleSettings, NamedProfile, readonly BottleCells[], BottleAfter> = {
  id: 'bottles',
  label: 'Bottle cells',
  after: [hinges, pins],
  settings: bottleSettings,
  slice: { fills: [bottleRoom] },
  fit(context) {
    const made = fitCells(context);
    return { fitted: made.map(({ fitted }) => fitted), parts: made.flatMap(({ parts }) => parts) };
  },
  rules: bottleRules,
  panels: (fitted, { key, opening }) =>
    fitted
      .filter(({ room, parts }) => room === opening || parts.includes(key))
      .map((cells) => ({
        label: 'Bottle cells in this room',
        title: 'Bottle cells',
        taken: cells.fits ? `${cells.across} side by side, ${cells.up} high` : 'The room is too small for two by two',
        rows: [
          { name: 'Clear width of a cell', dim: cells.width },
          { name: 'Clear height of a cell', dim: cells.height },
          { name: 'Depth', dim: cells.depth },
        ],
        of: cells,
      })),
  present: (fitted, size) =>
    fitted.map(({ room, across, up, width, height, depth, parts }) => ({
      room,
      across,
      up,
      width: size(width),
      height: size(height),
      depth: size(depth),
      parts,
    })),
};
