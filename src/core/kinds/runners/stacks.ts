import type { Cell, FaceLayout, SplitLayout } from '../../build/index.js';
import { type AnyPath, type Edit, type Opening, type ProposedAct, pathTo } from '../../decisions/index.js';
import { type Dim, inches, type LengthUnit } from '../../ground/index.js';
import { type Part, partKeys } from '../../part/index.js';
import type { FittedDrawer } from './drawers.js';
import type { BoxPlan } from './plan.js';
import type { RunnerResolved } from './settings.js';

/** Room over the bottom of a box up to what is above it: free space + height − recess − bottom. */
export function roomOver(plan: BoxPlan, bottom: Dim | undefined): Dim {
  const over = plan.free.plus(plan.height).minus(plan.recess);
  return (bottom ? over.minus(bottom) : over).as('room over the bottom of the drawer');
}

type LaidStack = Extract<FaceLayout, { ok: true }>;

/** The rows an opening is one of. */
function stackOf(face: LaidStack, opening: string): SplitLayout | undefined {
  return face.splits.find(({ axis, parts }) => axis === 'rows' && parts.some(({ id }) => id === opening));
}

/** What stands on the bottom of a drawer keeps so far from what is above (mm), and sizes go in steps of this. */
const ABOVE_CONTENTS = 5;
const STEP = 0.5;

/**
 * Makes the drawers of a stack as high as what goes into each: the opening by what is lacking over its bottom, or is left
 * over. What nothing is said of takes the rest, or the last of them. Undefined where nothing is said.
 */
export function heightsByContents(
  face: LaidStack,
  drawers: readonly FittedDrawer[],
  parts: readonly Part[],
  opening: string,
): ProposedAct | undefined {
  const stack = stackOf(face, opening);
  if (!stack) return undefined;
  const sizes = stack.parts.flatMap(({ id }): [string, number][] => {
    const drawer = drawers.find((each) => each.opening === id && !each.inner);
    const cell = face.cells.find((each) => each.opening.id === id);
    if (!drawer?.plan || drawer.contents?.height === undefined || !cell) return [];
    const bottom = parts.find(({ key }) => key === partKeys.ofBox.of({ opening: id, what: 'bottom' }));
    const lacks = drawer.contents.height + ABOVE_CONTENTS - roomOver(drawer.plan, bottom?.thickness).value;
    return [[id, Math.ceil((cell.sized.value + lacks) / STEP - 1e-6) * STEP]];
  });
  if (sizes.length === 0) return undefined;
  return { label: 'Heights by what goes in', edits: sized(stack, new Map(sizes)) };
}

/** Sides of boxes come in steps of this where the shop has not said another (mm, and for inches). */
const SIDE_STEP = { mm: 32, in: inches(1) } as const;

/** The steps in which boxes are high: the shop's, else 32 mm or an inch. */
export function sideStep({ drawers }: RunnerResolved['settings'], unit: LengthUnit): number {
  return drawers.heightStep.value > 0 ? drawers.heightStep.value : SIDE_STEP[unit];
}

/**
 * Makes the drawers of a stack so high that their boxes come out in whole steps, the nearest below what they are; the
 * last of them takes what is left. Undefined where there are not two.
 */
export function heightsBySides(
  face: LaidStack,
  drawers: readonly FittedDrawer[],
  opening: string,
  step: number,
): ProposedAct | undefined {
  const stack = stackOf(face, opening);
  const found = (stack?.parts ?? []).flatMap(({ id }) => {
    const drawer = drawers.find((each) => each.opening === id && !each.inner);
    const cell = face.cells.find((each) => each.opening.id === id);
    return drawer?.plan && cell ? [{ id, cell, plan: drawer.plan }] : [];
  });
  if (!stack || found.length < 2 || step <= 0) return undefined;
  const sizes = found.slice(0, -1).map(({ id, cell, plan }: { id: string; cell: Cell; plan: BoxPlan }) => {
    const wanted = Math.max(1, Math.floor(plan.height.value / step + 1e-6)) * step;
    return [id, cell.sized.value + wanted - plan.height.value] as const;
  });
  return { label: 'Boxes in whole steps', edits: sized(stack, new Map(sizes)) };
}

/** Fixes the members that have a size; where no other takes up the rest, the first that has none, or the last, does. */
function sized({ parts, path }: SplitLayout, sizes: ReadonlyMap<string, number>): Edit<AnyPath>[] {
  const absorbs = ({ id, size, pin }: Opening) => !sizes.has(id) && size.rule !== 'fixed' && pin === undefined;
  const rest = parts.some(absorbs);
  const free = parts.filter(({ id }) => !sizes.has(id));
  const last = rest ? undefined : [...free, ...parts].at(free.length > 0 ? 0 : -1);
  return parts.flatMap(({ id, pin }): Edit<AnyPath>[] => {
    const opening = pathTo.opening(path, id);
    const size = sizes.get(id);
    const takesRest = last?.id === id;
    if (size === undefined && !takesRest) return [];
    const value = size === undefined || takesRest ? { rule: 'share', weight: 1 } : { rule: 'fixed', mm: size };
    return [
      { path: pathTo.openingField(opening, 'size'), value },
      ...(pin === undefined ? [] : [{ path: pathTo.openingField(opening, 'pin'), value: undefined }]),
    ];
  });
}
