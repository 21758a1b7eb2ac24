import { type KeyboardEvent, useState } from 'react';
import { formatLength } from '../../../core/ground/index.js';
import { type DragHandle, type LaidSheet, onSheet } from '../../../core/present/index.js';
import { useDrag } from '../../fields/drag.js';
import { useBench } from '../context.js';

/** The stop nearest to a place along v. */
function nearestStop({ stops }: DragHandle, v: number): DragHandle['stops'][number] | undefined {
  return stops.reduce<DragHandle['stops'][number] | undefined>(
    (best, stop) => (!best || Math.abs(stop.at - v) < Math.abs(best.at - v) ? stop : best),
    undefined,
  );
}

/**
 * Takes hold of a shelf or a hinge: drag it, or step it with the arrow keys, from hole to hole. While it is dragged every
 * place it may stand at shows as a tick; what it will read stands beside it.
 */
export function DragHandleMark({ handle, laid }: { handle: DragHandle; laid: LaidSheet }) {
  const act = useBench((state) => state.act);
  const select = useBench((state) => state.select);
  const style = useBench((state) => state.job.display);
  const [target, setTarget] = useState<number | null>(null);
  const place = (v: number) => {
    const stop = nearestStop(handle, v);
    if (!stop || Math.abs(stop.at - handle.at) < 1e-6) return;
    act({ label: handle.label, edits: [{ path: handle.path, value: { id: handle.entry, mm: stop.value } }] });
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
    event.preventDefault();
    const up = event.key === 'ArrowUp';
    const next = handle.stops
      .filter(({ at }) => (up ? at > handle.at + 1e-6 : at < handle.at - 1e-6))
      .sort((a, b) => Math.abs(a.at - handle.at) - Math.abs(b.at - handle.at))[0];
    if (next) place(next.at);
  };
  const drag = useDrag<DragHandle>({
    moved: (of, { dy }) => setTarget(nearestStop(of, of.at - dy / laid.unit)?.at ?? null),
    dropped: (of, { dy }) => place(nearestStop(of, of.at - dy / laid.unit)?.at ?? of.at),
    pressed: ({ shows }) => select(shows),
    ended: () => setTarget(null),
  });
  const from = onSheet(laid, handle.from);
  const to = onSheet(laid, handle.to);
  const [x, y, width, height] = [from.x, to.y, to.x - from.x, from.y - to.y];
  // Thin things still want a target that can be hit.
  const grip = Math.max(height, GRIP);
  const shift = target === null ? 0 : (handle.at - target) * laid.unit;
  const chosen = target === null ? undefined : nearestStop(handle, target);
  const now = nearestStop(handle, handle.at);
  return (
    <g>
      {target !== null &&
        handle.stops.map((stop) => {
          const { y: tick } = onSheet(laid, { h: handle.from.h, v: stop.at });
          return (
            <line
              key={stop.at}
              x1={x - 5}
              x2={x + 3}
              y1={tick}
              y2={tick}
              stroke="var(--color-pencil)"
              strokeWidth={1.2}
            />
          );
        })}
      {target !== null && (
        <g className="pointer-events-none">
          <rect
            x={x}
            y={y + shift}
            width={width}
            height={Math.max(2, height)}
            fill="var(--color-pencil-pale)"
            stroke="var(--color-pencil)"
            strokeWidth={1.6}
          />
          {chosen && (
            <text x={x + width + 6} y={y + shift + 5} fontSize={15} fontWeight={600} fill="var(--color-pencil)">
              {formatLength(chosen.value, style)}
            </text>
          )}
        </g>
      )}
      <rect
        role="slider"
        tabIndex={0}
        aria-orientation="vertical"
        aria-label={`${handle.label}, up and down to move it`}
        aria-valuenow={Math.round((now?.value ?? handle.at) * 10) / 10}
        aria-valuetext={formatLength(now?.value ?? handle.at, style)}
        data-handle={handle.id}
        x={x}
        y={y + height / 2 - grip / 2}
        width={width}
        height={grip}
        fill="transparent"
        className="cursor-ns-resize touch-none outline-none hover:stroke-pencil focus-visible:stroke-pencil"
        strokeWidth={1.4}
        strokeDasharray="3 2"
        onKeyDown={onKey}
        {...drag(handle)}
        onClick={(event) => event.stopPropagation()}
      />
    </g>
  );
}

/** Smallest height of what can be taken hold of (px). */
const GRIP = 14;
