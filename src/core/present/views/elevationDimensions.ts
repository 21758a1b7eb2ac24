import {
  endReveal,
  type Front,
  frameSizes,
  insideOf,
  type Region,
  type SplitLayout,
  sharesGap,
} from '../../build/index.js';
import { pathOf, pathTo, type SettingPath } from '../../decisions/index.js';
import type { Span } from '../../ground/index.js';
import { type DimensionItem, dimension, overall } from '../../part/index.js';
import type { SolvedCabinet } from '../../solve/index.js';
import { type Beside, sharedGapDimensions } from './neighbours.js';

/** Every dimension of the front elevation; those a maker sets can be typed over. */
export function elevationDimensions(solved: SolvedCabinet, beside: Beside): DimensionItem[] {
  return [
    ...widthDimensions(solved),
    ...heightDimensions(solved),
    ...stackDimensions(solved),
    ...sharedGapDimensions(solved, beside),
  ];
}

/** Only overlay fronts on a box are placed by reveals to its edges. */
function revealsOnBox({ settings }: SolvedCabinet['resolved']): boolean {
  return settings.frame.fitted.value === 'none' && settings.fronts.fit.value === 'overlay';
}

function widthDimensions(solved: SolvedCabinet): DimensionItem[] {
  const { cabinet, box, resolved } = solved;
  const inside = insideOf(box, resolved).h;
  const items = [
    overall(
      dimension(
        'width',
        'bottom',
        1,
        -box.beyondLeft.value,
        box.width.value + box.beyondRight.value,
        box.overallWidth,
        pathTo.cabinetField(cabinet.id, 'size/width'),
      ),
    ),
    dimension('inside-width', 'bottom', 0, inside.low.value, inside.high.value, box.insideWidth),
  ];
  if (!solved.face.ok || solved.face.splits.some((split) => split.axis === 'columns')) return items;
  return [...items, ...frontWidths(solved)];
}

/** Widths of the fronts of one opening side by side, with the reveals and gaps between them. */
function frontWidths({ cabinet, box, fronts, resolved }: SolvedCabinet): DimensionItem[] {
  const rows = new Map<string, Front[]>();
  for (const front of fronts) rows.set(front.openingId, [...(rows.get(front.openingId) ?? []), front]);
  const top = [...rows.values()].sort((a, b) => b.length - a.length)[0] ?? [];
  const [first] = top;
  const last = top.at(-1);
  if (!first || !last) return [];
  const { gap } = resolved.settings.fronts;
  const framed = !revealsOnBox(resolved);
  const items = top.map((front) => ({
    ...dimension(`width-${front.key}`, 'top', 0, front.h.low.value, front.h.high.value, front.h.size),
    shows: front.key,
    opening: true as const,
  }));
  const gaps = top
    .slice(0, -1)
    .map((front, at) =>
      dimension(
        `gap-${front.key}`,
        'top',
        0,
        front.h.high.value,
        (top[at + 1] as Front).h.low.value,
        gap,
        pathTo.setting(cabinet.id, 'fronts/gap'),
      ),
    );
  if (framed) return [...items, ...gaps];
  return [
    revealDimension(solvedReveal('left', resolved, cabinet.id), 'top', 0, 0, first.h.low.value),
    ...items,
    ...gaps,
    revealDimension(solvedReveal('right', resolved, cabinet.id), 'top', 0, last.h.high.value, box.width.value),
  ];
}

/** The reveal at an end and what sets it: its own, or the gap it carries half of. */
function solvedReveal(end: 'left' | 'right', resolved: SolvedCabinet['resolved'], cabinetId: string) {
  const edits = sharesGap(end, resolved) ? undefined : pathTo.setting(cabinetId, `fronts/reveal/${end}`);
  return { end, dim: endReveal(end, resolved), edits };
}

function revealDimension(
  { end, dim, edits }: ReturnType<typeof solvedReveal>,
  side: DimensionItem['side'],
  level: number,
  from: number,
  to: number,
): DimensionItem {
  return dimension(`reveal-${end}`, side, level, from, to, dim, edits);
}

function heightDimensions(solved: SolvedCabinet): DimensionItem[] {
  const { cabinet, box, resolved } = solved;
  const { toe, frame } = resolved.settings;
  const under = box.underHeight.value;
  const toeHeight = toe.height.value;
  const toePath = pathTo.setting(cabinet.id, 'toe/height');
  const items: DimensionItem[] = [];
  if (under > 0)
    items.push(
      dimension('box-height', 'right', 0, 0, box.height.value, box.height),
      dimension('toe-height', 'right', 0, -under, 0, toe.height, toePath),
    );
  else if (box.floor.value > 0)
    items.push(
      dimension('toe-height', 'right', 0, 0, toeHeight, toe.height, toePath),
      dimension('face-height', 'right', 0, box.floor.value, box.height.value, box.faceHeight),
    );
  const whole = overall(
    dimension('height', 'right', items.length > 0 ? 1 : 0, -under, box.height.value, box.overallHeight),
  );
  items.push(
    cabinet.size.height.from === 'overall'
      ? { ...whole, edits: pathTo.cabinetField(cabinet.id, 'size/height/mm') }
      : whole,
  );
  if (frame.fitted.value === 'fitted') {
    const { foot, height } = frameSizes(box, resolved);
    items.push(dimension('frame-height', 'right', 2, foot.value, foot.value + height.value, height));
  }
  return items;
}

/** More chains than this on a side and the drawing drowns in its dimensions; the list of openings has them all. */
const MOST_CHAINS = 2;

/** The tree of openings: a chain of dimensions for each split, where it touches the outside. */
function stackDimensions(solved: SolvedCabinet): DimensionItem[] {
  const { face } = solved;
  if (!face.ok) return [];
  const next = { left: 0, right: 3, top: 0, bottom: 2 };
  const chains = { left: 0, right: 0, top: 0, bottom: 0 };
  const items: DimensionItem[] = [];
  for (const [at, split] of face.splits.entries()) {
    const side = sideOf(split, face.root);
    const said = at > 0 && (split.parts.length === 1 || chains[side] >= MOST_CHAINS);
    if (said) continue;
    const chain = splitChain(solved, split, side, next[side], at === 0);
    items.push(...chain);
    chains[side] += 1;
    next[side] = 1 + Math.max(...chain.map((item) => item.level));
  }
  return items;
}

/** Rows are dimensioned at the left unless they stand at the right edge only, columns at the top likewise. */
function sideOf(split: SplitLayout, root: Region): DimensionItem['side'] {
  const within = split.within.face;
  const touches = (span: Span, whole: Span) => ({
    low: span.low.value <= whole.low.value + 1,
    high: span.high.value >= whole.high.value - 1,
  });
  if (split.axis === 'rows') {
    const { low, high } = touches(within.h, root.face.h);
    return high && !low ? 'right' : 'left';
  }
  const { low, high } = touches(within.v, root.face.v);
  return low && !high ? 'bottom' : 'top';
}

function splitChain(
  solved: SolvedCabinet,
  split: SplitLayout,
  side: DimensionItem['side'],
  level: number,
  root: boolean,
): DimensionItem[] {
  const { cabinet, box, resolved } = solved;
  const { frame, fronts } = resolved.settings;
  const rows = split.axis === 'rows';
  const set = (path: SettingPath) => pathTo.setting(cabinet.id, path);
  const openingsFirst = fronts.lay.value === 'openings';
  const framed = frame.fitted.value === 'fitted';
  const revealed = revealsOnBox(resolved);
  const path = pathOf(cabinet, split.path);
  const pin = (at: number) => pathTo.openingField(pathTo.opening(path, split.parts[at]?.id ?? ''), 'pin');
  const id = (at: number) => split.parts[at]?.id ?? '';
  const items: DimensionItem[] = [];
  // Below the first division one chain is enough: the one that decides.
  const both = root || !openingsFirst;
  const openings = both ? level + 1 : level;
  split.face.forEach((each, at) => {
    if (!both) return;
    const front = solved.fronts.find((other) => other.openingId === id(at));
    const edits = openingsFirst ? undefined : pin(at);
    items.push({
      ...dimension(`face-${id(at)}`, side, level, each.low.value, each.high.value, each.size, edits),
      ...(front ? { shows: front.parts[0]?.key ?? front.key } : {}),
      opening: true,
    });
    const next = split.face[at + 1];
    const between = split.between[at];
    if (!next || !between) return;
    const [from, to] = rows ? [next.high.value, each.low.value] : [each.high.value, next.low.value];
    if (to > from)
      items.push(
        dimension(`gap-${id(at)}`, side, level, from, to, between.face, revealed ? set('fronts/gap') : undefined),
      );
  });
  if (openingsFirst)
    split.clear.forEach((each, at) => {
      items.push({
        ...dimension(`opening-${id(at)}`, side, openings, each.low.value, each.high.value, each.size, pin(at)),
        opening: true,
      });
      const next = split.clear[at + 1];
      const between = split.between[at];
      if (!framed || !next || !between) return;
      const [from, to] = rows ? [next.high.value, each.low.value] : [each.high.value, next.low.value];
      items.push(
        dimension(
          `member-${id(at)}`,
          side,
          openings,
          from,
          to,
          between.clear,
          set(rows ? 'frame/midRail' : 'frame/midStile'),
        ),
      );
    });
  if (!root || !revealed) return items;
  const { reveal } = fronts;
  if (rows) {
    const top = box.floor.value + box.faceHeight.value;
    items.push(dimension('reveal-top', side, level, top - reveal.top.value, top, reveal.top, set('fronts/reveal/top')));
    items.push(
      dimension(
        'reveal-bottom',
        side,
        level,
        box.floor.value,
        box.floor.value + reveal.bottom.value,
        reveal.bottom,
        set('fronts/reveal/bottom'),
      ),
    );
  } else {
    const [left, right] = [solvedReveal('left', resolved, cabinet.id), solvedReveal('right', resolved, cabinet.id)];
    items.push(revealDimension(left, side, level, 0, left.dim.value));
    items.push(revealDimension(right, side, level, box.width.value - right.dim.value, box.width.value));
  }
  return items;
}
