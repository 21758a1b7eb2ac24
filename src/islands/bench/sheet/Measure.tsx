import { type PointerEvent, useEffect, useMemo, useState } from 'react';
import { formatLengthWithUnit } from '../../../core/ground/index.js';
import {
  between,
  type Drawing,
  type DrawnEdge,
  edgeNear,
  edgesOf,
  type LaidSheet,
  onSheet,
} from '../../../core/present/index.js';
import { useBench } from '../context.js';

/** How near an edge the pointer has to be (px). */
const REACH = 10;

/** True while the key that measures is held. */
export function useMeasuring(): boolean {
  const [held, setHeld] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && event.target.closest('input, textarea, select');
      if (event.key === 'q' && !typing && !event.ctrlKey && !event.metaKey) setHeld(event.type === 'keydown');
    };
    const letGo = () => setHeld(false);
    window.addEventListener('keydown', onKey);
    window.addEventListener('keyup', onKey);
    window.addEventListener('blur', letGo);
    return () => {
      window.removeEventListener('keydown', onKey);
      window.removeEventListener('keyup', onKey);
      window.removeEventListener('blur', letGo);
    };
  }, []);
  return held;
}

/** While the key is held, two edges of a view that are pressed say what lies between them. */
export function Measure({ drawing, laid }: { drawing: Drawing; laid: LaidSheet }) {
  const style = useBench((state) => state.job.display);
  const edges = useMemo(() => edgesOf(drawing), [drawing]);
  const [near, setNear] = useState<DrawnEdge>();
  const [chosen, setChosen] = useState<readonly DrawnEdge[]>([]);
  const [from, to] = [onSheet(laid, drawing.min), onSheet(laid, drawing.max)];
  const at = (event: PointerEvent<SVGRectElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const [x, y] = [event.clientX - box.left, event.clientY - box.top];
    return {
      h: drawing.min.h - ROOM / laid.unit + x / laid.unit,
      v: drawing.max.v + ROOM / laid.unit - y / laid.unit,
    };
  };
  const [a, b] = chosen;
  const mm = a && b ? between(a, b) : undefined;
  return (
    <g>
      {[...(near ? [near] : []), ...chosen].map((edge, index) => (
        <Edge key={index} edge={edge} laid={laid} />
      ))}
      {a && b && (
        <Between a={a} b={b} laid={laid} text={mm === undefined ? 'these cross' : formatLengthWithUnit(mm, style)} />
      )}
      {/* biome-ignore lint/a11y/noStaticElementInteractions: every size has its number in the lists as well */}
      <rect
        data-measure=""
        x={from.x - ROOM}
        y={to.y - ROOM}
        width={to.x - from.x + 2 * ROOM}
        height={from.y - to.y + 2 * ROOM}
        fill="transparent"
        className="cursor-crosshair touch-none"
        onPointerMove={(event) => setNear(edgeNear(edges, at(event), REACH / laid.unit))}
        onPointerDown={(event) => {
          event.stopPropagation();
          const edge = edgeNear(edges, at(event), REACH / laid.unit);
          if (edge) setChosen((before) => (before.length === 1 ? [...before, edge] : [edge]));
        }}
        onClick={(event) => event.stopPropagation()}
      />
    </g>
  );
}

/** Room round a view in which its outer edges can be pressed (px). */
const ROOM = 12;

function Edge({ edge: { axis, at, from, to }, laid }: { edge: DrawnEdge; laid: LaidSheet }) {
  const [a, b] =
    axis === 'h'
      ? [onSheet(laid, { h: at, v: from }), onSheet(laid, { h: at, v: to })]
      : [onSheet(laid, { h: from, v: at }), onSheet(laid, { h: to, v: at })];
  return <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke="var(--color-pencil)" strokeWidth={3} />;
}

function Between({ a, b, laid, text }: { a: DrawnEdge; b: DrawnEdge; laid: LaidSheet; text: string }) {
  const along = (Math.max(a.from, b.from) + Math.min(a.to, b.to)) / 2;
  const [p, q] =
    a.axis === 'h'
      ? [onSheet(laid, { h: a.at, v: along }), onSheet(laid, { h: b.at, v: along })]
      : [onSheet(laid, { h: along, v: a.at }), onSheet(laid, { h: along, v: b.at })];
  return (
    <g>
      {a.axis === b.axis && <line x1={p.x} y1={p.y} x2={q.x} y2={q.y} stroke="var(--color-pencil)" strokeWidth={1.4} />}
      <text
        data-measured=""
        x={(p.x + q.x) / 2}
        y={(p.y + q.y) / 2 - 6}
        textAnchor="middle"
        fontSize={18}
        fontWeight={700}
        fill="var(--color-pencil)"
        stroke="var(--color-sheet)"
        strokeWidth={5}
        paintOrder="stroke"
      >
        {text}
      </text>
    </g>
  );
}
