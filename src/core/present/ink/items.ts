import type { DrawingItem, HardwareItem, LineWeight } from '../../part/index.js';
import { type LaidSheet, onSheet } from '../views/index.js';
import type { Colour, Mark, Stroke } from './mark.js';

/** Line weights carry meaning and stay the same at any scale. */
const PEN: Readonly<Record<LineWeight, Omit<Stroke, 'colour'>>> = {
  outline: { width: 1.9 },
  visible: { width: 1.1 },
  hidden: { width: 0.9, dashes: [5, 3] },
  centre: { width: 0.8, dashes: [12, 3, 2, 3] },
  swing: { width: 0.8, dashes: [12, 3, 2, 3] },
};

/** Holes are no smaller on a sheet than this, and can be pressed within that (sheet units). */
const LEAST_HOLE = 1.5;
const PRESSED = 6;
/** A mark with less room than this is not set, and with less than that without its frame (sheet units). */
const LEAST_ROOM = 14;
const FRAMED_ROOM = 25;

/** What is drawn of one item, and whether it lies over what can be pressed without being in its way. */
export interface ItemInk {
  readonly shows?: string | undefined;
  readonly of: 'part' | 'hardware' | 'nothing';
  readonly through: boolean;
  readonly marks: readonly Mark[];
}

type Laid = Pick<LaidSheet, 'origin' | 'unit'>;

/** An item of a drawing in ink; one that is chosen in pencil. Nothing for what has no room. */
export function itemInk(item: DrawingItem, laid: Laid, chosen = false): ItemInk | undefined {
  const colour: Colour = chosen ? 'pencil' : 'ink';
  const at = (point: { readonly h: number; readonly v: number }) => onSheet(laid, point);
  switch (item.kind) {
    case 'region': {
      const [from, to] = [at(item.from), at(item.to)];
      const place = { x: from.x, y: to.y, width: to.x - from.x, height: from.y - to.y };
      if (place.width <= 0 || place.height <= 0) return undefined;
      const hidden = item.weight === 'hidden';
      const stroke = { colour, ...PEN[item.weight], ...(chosen ? { width: 2.4 } : {}) };
      return {
        shows: item.shows,
        of: 'part',
        through: hidden,
        marks: [
          {
            kind: 'rect',
            ...place,
            fill: chosen && !hidden ? 'pencil pale' : item.tint,
            ...(item.tint === 'bay' ? {} : { stroke }),
            ...(item.cut ? { hatched: true } : {}),
          },
          ...(item.grain ? grainInk(place, item.grain) : []),
        ],
      };
    }
    case 'shape':
      return {
        shows: item.shows,
        of: 'part',
        through: false,
        marks: [
          {
            kind: 'line',
            closed: true,
            points: item.points.map(at),
            fill: chosen ? 'pencil pale' : item.tint,
            stroke: { colour, ...PEN[item.weight] },
          },
        ],
      };
    case 'hole': {
      const { x, y } = at(item.at);
      const radius = Math.max(LEAST_HOLE, (item.diameter / 2) * laid.unit);
      const dashes = item.weight === 'hidden' ? { dashes: [2, 2] } : {};
      const hole: Mark = {
        kind: 'circle',
        x,
        y,
        radius,
        fill: chosen ? 'pencil pale' : 'sheet',
        stroke: { colour, width: chosen ? 2.2 : 0.9, ...dashes },
      };
      const room: Mark = { kind: 'circle', x, y, radius: Math.max(radius, PRESSED), fill: 'bay' };
      return { shows: item.shows, of: 'part', through: !item.shows, marks: item.shows ? [hole, room] : [hole] };
    }
    case 'line':
      return {
        of: 'nothing',
        through: true,
        marks: [{ kind: 'line', points: item.points.map(at), stroke: { colour, ...PEN[item.weight], seen: 0.65 } }],
      };
    case 'hardware':
      return { shows: item.shows, of: 'hardware', through: !item.alone, marks: hardwareInk(item, laid, chosen) };
    case 'mark': {
      const { x, y } = at(item.at);
      const half = Math.max(17, item.text.length * 3.6 + 6);
      const room = item.room === undefined ? Number.POSITIVE_INFINITY : item.room * laid.unit;
      if (room < LEAST_ROOM) return undefined;
      const frame: Mark = {
        kind: 'rect',
        x: x - half,
        y: y - 11,
        width: half * 2,
        height: 22,
        radius: 11,
        fill: 'sheet',
        stroke: { colour, width: chosen ? 1.6 : 0.8 },
      };
      const word: Mark = {
        kind: 'text',
        x,
        y: y + 5,
        middle: true,
        size: 14.5,
        weight: 600,
        fill: colour,
        text: item.text,
      };
      return { of: 'nothing', through: true, marks: room >= FRAMED_ROOM ? [frame, word] : [word] };
    }
  }
}

/** Hardware in graphite: a ring for a cup, a bar with two screws for a plate, a split bar for a butt, a bar for a pull. */
function hardwareInk(item: HardwareItem, laid: Laid, chosen: boolean): Mark[] {
  const from = onSheet(laid, item.from);
  const to = onSheet(laid, item.to);
  const [x, y, width, height] = [from.x, to.y, Math.max(3, to.x - from.x), Math.max(3, from.y - to.y)];
  const [cx, cy] = [x + width / 2, y + height / 2];
  const colour: Colour = chosen ? 'pencil' : 'graphite';
  const fill: Colour = chosen ? 'pencil pale' : 'sheet';
  const stroke: Stroke = {
    colour,
    width: chosen ? 2.2 : 1,
    ...(item.hidden && !chosen ? { dashes: [3, 2] } : {}),
  };
  const place = { kind: 'rect', x, y, width, height } as const;
  const line = (points: readonly (readonly [number, number])[], pen: Omit<Stroke, 'colour'>): Mark => ({
    kind: 'line',
    points: points.map(([h, v]) => ({ x: h, y: v })),
    stroke: { colour, ...pen },
  });
  const dot = (v: number) =>
    line(
      [
        [cx, v],
        [cx, v + 0.01],
      ],
      { width: 2.6, round: true },
    );
  const across = (v: number) =>
    line(
      [
        [x, v],
        [x + width, v],
      ],
      { width: 1 },
    );
  switch (item.symbol) {
    case 'cup':
      return [
        { kind: 'circle', x: cx, y: cy, radius: width / 2, fill, fillSeen: 0.85, stroke },
        line(
          [
            [cx - 2.5, cy],
            [cx + 2.5, cy],
          ],
          { width: 0.8 },
        ),
        line(
          [
            [cx, cy - 2.5],
            [cx, cy + 2.5],
          ],
          { width: 0.8 },
        ),
      ];
    case 'plate':
      return [{ ...place, radius: 1.5, fill, fillSeen: 0.85, stroke }, dot(y + height * 0.18), dot(y + height * 0.82)];
    case 'leaf':
      return [{ ...place, fill, stroke }, across(y + height / 3), across(y + (height * 2) / 3)];
    case 'pull':
      return [{ ...place, radius: Math.min(width, height) / 2, fill: colour }];
    case 'knob':
      return [
        { kind: 'circle', x: cx, y: cy, radius: width / 2, fill, stroke },
        { kind: 'circle', x: cx, y: cy, radius: width / 5, fill: colour },
      ];
  }
}

interface Place {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A few fine lines that say which way the grain runs; the same for the same front, so that nothing flickers. */
function grainInk({ x, y, width, height }: Place, along: 'h' | 'v'): Mark[] {
  const across = along === 'v' ? width : height;
  const count = Math.max(2, Math.floor(across / 26));
  const inset = 5;
  return Array.from({ length: count }, (_, at): Mark => {
    const wobble = Math.sin((at + 1) * 12.9898) * 0.3;
    const place = ((at + 0.5 + wobble) / count) * across;
    return {
      kind: 'line',
      stroke: { colour: 'ink', width: 0.6, seen: 0.13 },
      points:
        along === 'v'
          ? [
              { x: x + place, y: y + inset },
              { x: x + place, y: y + height - inset },
            ]
          : [
              { x: x + inset, y: y + place },
              { x: x + width - inset, y: y + place },
            ],
    };
  });
}
