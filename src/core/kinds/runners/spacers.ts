import type { Box, Compartment } from '../../build/index.js';
import type { ForeseenStrip } from '../../cabinet/index.js';
import { type JobHead, type Material, thicknessOf } from '../../decisions/index.js';
import { type Dim, largest, length, quantity, type Span, solved, spanBetween, spanFrom } from '../../ground/index.js';
import { doorAt } from '../../motions/index.js';
import { makePart, type Part, partKeys } from '../../part/index.js';
import { type HungDoor, turnOf } from '../hinges/index.js';
import { byMaker, fromSheet } from '../profile.js';
import { CLEAR_OF_HINGE, stripHeight } from './lines.js';
import type { RunnerResolved } from './settings.js';

export type Hand = 'left' | 'right';

/** What brings a runner clear of doors and hinges at one side. */
export interface Spacer {
  /** How far what stands there reaches into the room, and who says so. */
  readonly encroachment: Dim;
  readonly from: 'measured' | 'table' | 'geometry';
  /** What the hinge's own geometry comes to, where a table or a measure says something else. */
  readonly geometry: Dim;
  /** The build-up of stock on hand, thickest first, and together. */
  readonly layers: readonly SpacerLayer[];
  readonly thickness: Dim;
  /** It begins no further forward than this, behind the arm of a hinge at its height. */
  readonly behind: Dim | undefined;
  /** Underside above the floor of the cabinet, once its runner is chosen: what spacer sticks are cut to. */
  readonly underside?: Dim;
}

interface SpacerLayer {
  readonly material: Material;
  readonly thickness: Dim;
}

/** What stands about a room, as a spacer has to know it. */
export interface SpacerContext {
  readonly doors: readonly HungDoor[];
  readonly box: Box;
  readonly resolved: RunnerResolved;
  readonly head: JobHead;
  /** Where runners will stand. */
  readonly strips: readonly ForeseenStrip[];
}

/** The first hole of a runner stands so far behind the front end of its spacer or packing (mm). */
export const FROM_SPACER_END = 10;

/**
 * The spacer at one side of a room behind doors: as thick as the frame's inner lip, the hinge or the open door's edge at
 * its stop angle reaches in, plus the margin, built up from sheet stock of the job. None where nothing reaches in.
 */
export function spacerFor(room: Compartment, hand: Hand, beside: SpacerContext): Spacer | undefined {
  const { resolved, head } = beside;
  const { drawers } = resolved.settings;
  const atEdge = Math.abs(edgeOf(room.inside.h, hand).value - edgeOf(room.cell.inside.h, hand).value) < 0.01;
  if (!atEdge) return undefined;
  const measured = hand === 'left' ? drawers.measuredLeft : drawers.measuredRight;
  const { geometry, table, behind } = reaches(room, hand, beside);
  const encroachment = measured.value > 0 ? measured : (table ?? geometry);
  if (encroachment.value < 0.1) return undefined;
  const need = encroachment.plus(drawers.margin).as(`clear of what stands out, ${hand}`);
  return {
    encroachment,
    from: measured.value > 0 ? 'measured' : table ? 'table' : 'geometry',
    geometry,
    ...builtUp(need, hand, head),
    behind,
  };
}

/** A spacer where somebody measured what stands out at a side; none where nothing does. */
export function measuredSpacer(
  measured: Dim,
  hand: Hand,
  head: JobHead,
  { settings }: RunnerResolved,
): Spacer | undefined {
  if (measured.value < 0.1) return undefined;
  const need = measured.plus(settings.drawers.margin).as(`clear of what stands out, ${hand}`);
  return {
    encroachment: measured,
    from: 'measured',
    geometry: measured,
    ...builtUp(need, hand, head),
    behind: undefined,
  };
}

/** The build-up of a spacer of the sheet stock of a job. */
function builtUp(need: Dim, hand: Hand, head: JobHead): Pick<Spacer, 'layers' | 'thickness'> {
  const layers = buildUp(need.value, stockOf(head));
  const thickness = layers
    .map((layer) => layer.thickness)
    .reduce((sum, each) => sum.plus(each))
    .as(`spacer, ${hand}`)
    .because('the thinnest build-up of the stock on hand that covers what stands out and the margin');
  return { layers, thickness };
}

function edgeOf(span: Span, hand: Hand): Dim {
  return hand === 'left' ? span.low : span.high;
}

/** How far a frame, hinges and an open door reach into a room at one side. */
function reaches(room: Compartment, hand: Hand, { doors, box, strips }: SpacerContext) {
  const strip = strips.find((each) => each.room === room.id);
  const { low: under, high: over } = strip ?? { low: room.inside.v.low.value, high: room.inside.v.high.value };
  const { clear, inside } = room.cell;
  const inner = edgeOf(inside.h, hand);
  const inwards = hand === 'left' ? 1 : -1;
  const lip =
    (edgeOf(clear.h, hand).value - inner.value) * inwards > 0.1
      ? (hand === 'left' ? clear.h.low.minus(inner) : inner.minus(clear.h.high)).as('inner lip of the frame')
      : length(0, 'no lip of a frame');
  const all: Dim[] = [lip];
  let table: Dim | undefined;
  let behind: Dim | undefined;
  for (const door of doors) {
    const { front, hinged, chosen, places } = door;
    if (front.openingId !== room.cell.opening.id || hinged !== hand) continue;
    const turn = turnOf(door, box);
    if (turn) {
      // Its furthest corner: at more than a right angle the one at the hinge.
      const reach = Math.max(0, ...doorAt(turn.plan, door.stopAngle).map(({ x }) => (x - inner.value) * inwards));
      all.push(
        solved('edge of the open door', reach, 'mm', [inner], `at ${door.stopAngle}°, by its hinge's turning point`),
      );
    }
    if (chosen?.kind !== 'concealed') continue;
    const { body, encroachment } = chosen.profile;
    if (encroachment !== undefined)
      table = quantity(encroachment, 'mm', 'open door and hinge, by its table', byMaker(chosen.profile));
    // Whichever hinge it passes: drawers one above the other are of one width.
    if (places.length > 0) all.push(fromSheet(chosen.profile, 'body/out', 'hinge, out from the case'));
    const near = places.some(
      ({ onCase }) => onCase.value + body.height / 2 > under + 1e-6 && onCase.value - body.height / 2 < over - 1e-6,
    );
    if (!near) continue;
    behind = box.mountingPlane
      .plus(fromSheet(chosen.profile, 'body/behind', 'hinge behind the plane of the fronts'))
      .plus(length(CLEAR_OF_HINGE, 'clear of the hinge'))
      .as('spacer begins behind the hinge');
  }
  return { geometry: largest(...all).as('what stands out'), table, behind };
}

/** Sheet stock of the job, a thickness each, thickest first. */
function stockOf({ materials }: JobHead): SpacerLayer[] {
  const found = new Map<number, SpacerLayer>();
  for (const material of materials) {
    if (material.form !== 'sheet') continue;
    const thickness = thicknessOf(material);
    const known = Math.round(thickness.value * 100);
    if (!found.has(known)) found.set(known, { material, thickness });
  }
  return [...found.values()].sort((a, b) => b.thickness.value - a.thickness.value);
}

/** More layers than this nobody glues up. */
const MOST_LAYERS = 3;

/** The thinnest build-up that reaches `need` (mm), of as few layers as do; of the thickest alone where three do not. */
export function buildUp<L extends { readonly thickness: { readonly value: number } }>(
  need: number,
  stock: readonly L[],
): L[] {
  let best: { layers: L[]; thick: number } | undefined;
  const grow = (layers: L[], thick: number, from: number): void => {
    if (thick >= need - 1e-6) {
      const better =
        !best || thick < best.thick - 1e-6 || (thick < best.thick + 1e-6 && layers.length < best.layers.length);
      if (better) best = { layers, thick };
      return;
    }
    if (layers.length === MOST_LAYERS) return;
    for (let at = from; at < stock.length; at += 1) {
      const layer = stock[at] as L;
      grow([...layers, layer], thick + layer.thickness.value, at);
    }
  };
  grow([], 0, 0);
  const [thickest] = stock;
  if (best) return best.layers;
  return thickest ? Array.from({ length: Math.ceil(need / thickest.thickness.value) }, () => thickest) : [];
}

/** The layers of a spacer, about the line of its runner, the thickest at the runner. */
export function spacerParts(
  { id, name, inside }: { readonly id: string; readonly name: string; readonly inside: Compartment['inside'] },
  hand: Hand,
  spacer: Spacer,
  { start, run, line }: { start: Dim; run: Dim; line: Dim },
): Part[] {
  const key = partKeys.spacer.of({ opening: id, what: hand });
  const from = spacer.behind && spacer.behind.value > start.value ? spacer.behind : start;
  const y = spanBetween(from, start.plus(run).as('rear of the spacer'));
  const z = stripHeight(line, inside.v);
  // From the case inwards the thinnest first: what carries the runner has to hold its screws.
  let face = edgeOf(inside.h, hand);
  return [...spacer.layers].reverse().map(({ material, thickness }, at, all) => {
    const outer = hand === 'left' ? face.plus(thickness) : face.minus(thickness);
    const x = hand === 'left' ? spanFrom(face, thickness) : { low: outer, high: face, size: thickness };
    face = outer;
    return makePart({
      key: all.length > 1 ? `${key}/${at + 1}` : key,
      name: all.length > 1 ? `spacer, ${hand}, layer ${at + 1}` : `spacer, ${hand}`,
      whole: name,
      role: 'spacer',
      unit: key,
      hand,
      material,
      stands: { x, y, z },
      axes: { u: '+y', v: '+z', w: hand === 'left' ? '-x' : '+x' },
      ...(at > 0 ? { gluedTo: `${key}/${at}` } : {}),
      ...(all.length > 1 ? { note: 'glued up with its other layers before it is screwed on' } : {}),
    });
  });
}
