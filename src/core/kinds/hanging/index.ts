import type { Kind } from '../../cabinet/index.js';
import type { NamedProfile } from '../../decisions/index.js';
import { byPart } from '../byPart.js';
import { hinges } from '../hinges/index.js';
import { pins } from '../pins/index.js';
import { runners } from '../runners/index.js';
import { waste } from '../waste/index.js';
import type { HangingAfter } from './context.js';
import { hangingRoom } from './fills.js';
import { type HungRail, hangRails, railsToBuy } from './rails.js';
import { hangingRules } from './rules.js';
import { type HangingSettings, hangingSettings } from './settings.js';

/** Rails to hang things on, with the sockets that carry them. */
export const hanging: Kind<'hanging', HangingSettings, NamedProfile, readonly HungRail[], HangingAfter> = {
  id: 'hanging',
  label: 'Hanging rails',
  // Sockets stand clear of what is bored before them.
  after: [hinges, pins, runners, waste],
  settings: hangingSettings,
  slice: { fills: [hangingRoom] },
  fit(context) {
    const hung = hangRails(context);
    const rails = hung.map(({ rail }) => rail);
    const operations = byPart(hung.flatMap((each) => each.operations));
    return { fitted: rails, operations, buy: railsToBuy(rails, context) };
  },
  rules: hangingRules,
  symbols: (fitted) =>
    fitted.map(({ up, from, length }) => ({
      kind: 'line',
      weight: 'hidden',
      points: [
        { h: from.value, v: up.value },
        { h: from.value + length.value, v: up.value },
      ],
    })),
  panels: (fitted, { opening }) =>
    fitted
      .filter(({ room }) => room === opening)
      .map((rail) => ({
        label: 'Hanging rail in this room',
        title: 'Hanging rail',
        rows: [
          { name: 'Sawn to', dim: rail.length },
          { name: 'Its middle above the underside', dim: rail.up },
          { name: 'Its middle behind the front edge', dim: rail.behind },
          { name: 'Room to hang', dim: rail.drop },
          { name: 'Depth of the room', dim: rail.depth },
        ],
        of: rail,
      })),
  present: (fitted, size) =>
    fitted.map(({ room, length, up, behind, drop }) => ({
      room,
      length: size(length),
      up: size(up),
      behind: size(behind),
      drop: size(drop),
    })),
};

export type { HungRail } from './rails.js';
