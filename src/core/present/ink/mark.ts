import type { Tint } from '../../part/index.js';

/** What is drawn with; whoever draws has a colour for each. `as it stands` is the colour of what surrounds it. */
export type Colour = 'ink' | 'ink soft' | 'graphite' | 'pencil' | 'pencil pale' | 'sheet' | 'as it stands' | Tint;

export interface Stroke {
  readonly colour: Colour;
  /** In sheet units. */
  readonly width: number;
  readonly dashes?: readonly number[];
  /** How much of it is seen, where that is not all. */
  readonly seen?: number;
  readonly round?: true;
}

interface Drawn {
  readonly fill?: Colour;
  readonly fillSeen?: number;
  readonly stroke?: Stroke;
}

/** A rectangle; hatched where it is cut end grain. */
export interface RectMark extends Drawn {
  readonly kind: 'rect';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly radius?: number;
  readonly hatched?: true;
}

export interface CircleMark extends Drawn {
  readonly kind: 'circle';
  readonly x: number;
  readonly y: number;
  readonly radius: number;
}

/** A run of straight lines, closed where it is an outline. */
export interface LineMark extends Drawn {
  readonly kind: 'line';
  readonly points: readonly Place[];
  readonly closed?: true;
}

/** Words; their place is the foot of the line, at its start or in its middle. */
export interface TextMark {
  readonly kind: 'text';
  readonly x: number;
  readonly y: number;
  readonly text: string;
  readonly size: number;
  readonly weight?: number;
  readonly middle?: true;
  readonly fill: Colour;
}

/** One stroke of a pen on a sheet, in its units: x to the right, y down. Screens, files and papers draw the same ones. */
export type Mark = RectMark | CircleMark | LineMark | TextMark;

interface Place {
  readonly x: number;
  readonly y: number;
}
