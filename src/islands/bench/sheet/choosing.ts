import { type MouseEvent, type PointerEvent, type RefObject, useRef, useState } from 'react';
import { openingKey } from '../../../core/build/index.js';
import { faceOf, openingAt } from '../../../core/commands/index.js';
import { type LaidSheet, onSheet } from '../../../core/present/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { chosenOpenings } from '../chosen.js';
import { useBenchStore } from '../context.js';

interface Frame {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/**
 * Choosing several openings, and their menu: Shift press adds one or takes it away, a frame drawn with Shift takes what it
 * touches, the other button opens the menu at what is under the pointer.
 */
export function useChoosing(
  solved: SolvedCabinet,
  laid: LaidSheet | undefined,
  paper: RefObject<SVGSVGElement | null>,
): {
  frame: Frame | null;
  on: {
    onClickCapture(event: MouseEvent): void;
    onContextMenu(event: MouseEvent): void;
    onPointerDownCapture(event: PointerEvent): void;
    onPointerMove(event: PointerEvent): void;
    onPointerUp(event: PointerEvent): void;
  };
} {
  const store = useBenchStore();
  const [frame, setFrame] = useState<Frame | null>(null);
  const start = useRef<{ x: number; y: number } | null>(null);
  const framed = useRef(false);
  const openingUnder = (target: EventTarget): string | undefined => {
    const key = target instanceof Element ? target.closest('[data-part]')?.getAttribute('data-part') : undefined;
    return key ? openingAt(solved, key) : undefined;
  };
  /** Where the pointer is on the drawing, as its views are laid out. */
  const place = (event: PointerEvent) => {
    const first = paper.current?.querySelector<SVGGElement>('[data-view]');
    const matrix = first?.getScreenCTM();
    return matrix ? new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse()) : undefined;
  };
  const finish = () => {
    const box = frame;
    start.current = null;
    setFrame(null);
    if (!box || !laid || !solved.face.ok) return;
    framed.current = true;
    const ids = solved.face.cells.flatMap(({ opening: { id } }) => {
      const face = faceOf(solved, id);
      if (!face) return [];
      const [a, b] = [
        onSheet(laid, { h: face.h.low.value, v: face.v.high.value }),
        onSheet(laid, { h: face.h.high.value, v: face.v.low.value }),
      ];
      const apart = a.x > box.x + box.width || b.x < box.x || a.y > box.y + box.height || b.y < box.y;
      return apart ? [] : [id];
    });
    const [first, ...more] = ids;
    if (first === undefined) return;
    store.getState().select(openingKey(first));
    store.getState().choose(more);
  };
  return {
    frame,
    on: {
      onClickCapture(event) {
        if (framed.current) {
          framed.current = false;
          event.stopPropagation();
          return;
        }
        if (!event.shiftKey) return;
        const id = openingUnder(event.target);
        if (id === undefined) return;
        event.stopPropagation();
        const state = store.getState();
        const ids = chosenOpenings(state, solved);
        const next = ids.includes(id) ? ids.filter((each) => each !== id) : [...ids, id];
        const [first, ...more] = next;
        state.select(first === undefined ? null : openingKey(first));
        state.choose(more);
      },
      onContextMenu(event) {
        const id = openingUnder(event.target);
        if (id === undefined) return;
        event.preventDefault();
        const state = store.getState();
        if (!chosenOpenings(state, solved).includes(id)) state.select(openingKey(id));
        state.openMenu({ x: event.clientX, y: event.clientY });
      },
      onPointerDownCapture(event) {
        framed.current = false;
        if (!event.shiftKey || event.button !== 0 || !laid) return;
        start.current = place(event) ?? null;
      },
      onPointerMove(event) {
        const from = start.current;
        const to = from ? place(event) : undefined;
        if (!from || !to || Math.hypot(to.x - from.x, to.y - from.y) < 6) return;
        setFrame({
          x: Math.min(from.x, to.x),
          y: Math.min(from.y, to.y),
          width: Math.abs(to.x - from.x),
          height: Math.abs(to.y - from.y),
        });
      },
      onPointerUp: finish,
    },
  };
}
