import { formatLength, inches, type LengthStyle } from '../../ground/index.js';
import type { Line, Snap } from './lines/index.js';

/** Where a line comes to rest: at the nearest reason within reach, else on a figure; never beyond its ends. */
export function settle(line: Line, at: number, reach: number, style: LengthStyle): Snap {
  const within = Math.min(line.most, Math.max(line.least, at));
  const allowed = (there: number) => there >= line.least && there <= line.most;
  const near = line.snaps
    .filter((snap) => allowed(snap.at) && Math.abs(snap.at - within) <= reach)
    .sort((a, b) => Math.abs(a.at - within) - Math.abs(b.at - within))[0];
  if (near) return near;
  const inch = style.unit === 'in';
  const round = onFigure(line, within, inch ? inches(1 / 4) : 5);
  if (Math.abs(round - within) <= reach / 2 && allowed(round))
    return { at: round, why: inch ? 'round 1/4' : 'round 5' };
  // Whole millimetres, or sixteenths of an inch.
  const landing = onFigure(line, within, inch ? inches(1 / 16) : 1);
  return { at: Math.min(line.most, Math.max(line.least, landing)), why: '' };
}

/** The nearest place at which the first size beside a line is a multiple of a step. */
function onFigure({ at: now, following: [first] }: Line, at: number, step: number): number {
  if (!first) return at;
  const size = first.mm + first.by * (at - now);
  return now + first.by * (Math.round(size / step) * step - first.mm);
}

/** So often the way is halved: to a sixty-fourth of it. */
const HALVINGS = 6;

/** The last place on the way to another where a line may stand; undefined where it may not move at all. */
export function lastGood(line: Line, at: number, may: (at: number) => boolean): number | undefined {
  let [good, bad] = [line.at, at];
  for (let tries = 0; tries < HALVINGS; tries += 1) {
    const middle = (good + bad) / 2;
    if (may(middle)) good = middle;
    else bad = middle;
  }
  return good === line.at ? undefined : good;
}

/** The sizes on both sides of a line when it stands at a place, as they are read: "drawer front 140". */
export function sizesAt(line: Line, at: number, style: LengthStyle): string[] {
  return line.following.map(({ name, mm, by }) => `${name} ${formatLength(mm + by * (at - line.at), style)}`);
}
