import type { Point } from '../../../core/part/index.js';
import type { Scene } from '../../../core/present/index.js';

/** How the picture is looked at; the same while views come and go. */
export interface Look {
  /** Share of its way that everything which opens stands open, and what stands otherwise than the rest, by its id. */
  readonly open: number;
  readonly opened: Readonly<Record<string, number>>;
  /** How many steps it is taken apart. */
  readonly apart: number;
  /** The axis a plane cuts across, and where, as a share of the cabinet. */
  readonly cut: { readonly axis: 0 | 1 | 2; readonly share: number } | null;
  /** Only the selected part is shown. */
  readonly alone: boolean;
  /** What stands before the selected part, or the fronts, is seen through. */
  readonly through: boolean;
  readonly from: Side;
}

export const FIRST_LOOK: Look = {
  open: 0,
  opened: {},
  apart: 0,
  cut: null,
  alone: false,
  through: false,
  from: 'corner',
};

/** Where the picture is looked at from; a direction from the cabinet to the eye. */
export const SIDES = {
  corner: { label: 'Corner', towards: [0.62, -1, 0.55] },
  front: { label: 'Front', towards: [0, -1, 0] },
  right: { label: 'Right', towards: [1, 0, 0] },
  left: { label: 'Left', towards: [-1, 0, 0] },
  rear: { label: 'Rear', towards: [0, 1, 0] },
  above: { label: 'Above', towards: [0, -0.0001, 1] },
  below: { label: 'Below', towards: [0, -0.0001, -1] },
} as const satisfies Record<string, { label: string; towards: Point }>;

export type Side = keyof typeof SIDES;

/** How far something stands open. */
export function openShare({ open, opened }: Pick<Look, 'open' | 'opened'>, id: string): number {
  return opened[id] ?? open;
}

/** Opens or shuts one thing by itself. */
export function toggled(look: Look, id: string): Partial<Look> {
  return { opened: { ...look.opened, [id]: openShare(look, id) > 0.5 ? 0 : 1 } };
}

/** What opens with a part, if anything does. */
export function opensWith(scene: Scene, key: string | null): string | undefined {
  return scene.parts.find((part) => part.key === key)?.moves;
}
