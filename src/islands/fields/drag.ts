import { type PointerEvent, useEffect, useRef } from 'react';

/** How far a pointer went since it took hold (px), and where it is. */
export interface Dragged {
  readonly dx: number;
  readonly dy: number;
  readonly x: number;
  readonly y: number;
  readonly alt: boolean;
}

/** What comes of dragging a thing. */
export interface Dragging<T> {
  /** It moves: called from the first move beyond the slack. */
  moved(of: T, by: Dragged): void;
  /** It was let go somewhere else. */
  dropped(of: T, by: Dragged): void;
  /** It was let go where it was taken: a press. */
  pressed?(of: T): void;
  /** Nothing is held any more, whatever came of it: Escape gives a drag up. */
  ended(): void;
  /** It stays where it is: a press is all there is. */
  readonly fixed?: boolean;
  /** So far a pointer may slip in a press (px). */
  readonly slack?: number;
}

const SLACK = 3;

interface Held<T> {
  readonly of: T;
  readonly pointer: number;
  readonly x: number;
  readonly y: number;
  moved: boolean;
}

/** Taking hold of things with a pointer, moving and letting go: the handlers of each. One thing is held at a time. */
export function useDrag<T>(dragging: Dragging<T>): (of: T) => {
  onPointerDown(event: PointerEvent<Element>): void;
  onPointerMove(event: PointerEvent<Element>): void;
  onPointerUp(event: PointerEvent<Element>): void;
  onPointerCancel(): void;
} {
  const held = useRef<Held<T> | null>(null);
  const now = useRef(dragging);
  now.current = dragging;
  /** Lets go, and hears of no key any more. */
  const release = useRef<() => void>(() => {});
  useEffect(() => () => release.current(), []);
  const end = () => {
    release.current();
    now.current.ended();
  };
  const hold = (own: Held<T>) => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'Escape' || !own.moved) return;
      event.stopPropagation();
      end();
    };
    release.current();
    held.current = own;
    window.addEventListener('keydown', onKey, true);
    release.current = () => {
      held.current = null;
      window.removeEventListener('keydown', onKey, true);
    };
  };
  const by = ({ x, y }: Held<T>, event: PointerEvent): Dragged => ({
    dx: event.clientX - x,
    dy: event.clientY - y,
    x: event.clientX,
    y: event.clientY,
    alt: event.altKey,
  });
  return (of) => ({
    onPointerDown(event) {
      if (event.button !== 0) return;
      const { pointerId: pointer, clientX: x, clientY: y } = event;
      hold({ of, pointer, x, y, moved: false });
      if (!dragging.fixed) event.currentTarget.setPointerCapture(pointer);
    },
    onPointerMove(event) {
      const own = held.current;
      if (!own || own.pointer !== event.pointerId || dragging.fixed) return;
      const far = by(own, event);
      if (!own.moved && Math.hypot(far.dx, far.dy) <= (dragging.slack ?? SLACK)) return;
      own.moved = true;
      dragging.moved(own.of, far);
    },
    onPointerUp(event) {
      const own = held.current;
      if (!own || own.pointer !== event.pointerId) return;
      end();
      if (own.moved) dragging.dropped(own.of, by(own, event));
      else dragging.pressed?.(own.of);
    },
    onPointerCancel: end,
  });
}
