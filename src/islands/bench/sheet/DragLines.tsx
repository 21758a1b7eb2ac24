import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { type Line, lastGood, type Snap, settle, sizesAt } from '../../../core/commands/index.js';
import type { Act } from '../../../core/decisions/index.js';
import { formatLength } from '../../../core/ground/index.js';
import { type LaidSheet, onSheet } from '../../../core/present/index.js';
import { type Dragged, useDrag } from '../../fields/drag.js';
import { stepOf } from '../../fields/LengthField.js';
import { useBench, useBenchStore } from '../context.js';

/** How near the pointer comes to a place for the line to stick there (px). */
const STICKS = 7;
/** Width of what can be taken hold of (px). */
const GRIP = 11;
/** A pointer that rests so long has the whole cabinet figured for where the line is (ms). */
const RESTS = 110;

/** The lines that can be dragged on a view: the gaps between openings, the ends, the toe. */
export function DragLines({ lines, laid }: { lines: readonly Line[]; laid: LaidSheet }) {
  return (
    <g>
      {lines.map((line) => (
        <DragLine key={line.id} line={line} laid={laid} />
      ))}
    </g>
  );
}

function DragLine({ line, laid }: { line: Line; laid: LaidSheet }) {
  const store = useBenchStore();
  const style = useBench((state) => state.job.display);
  const selected = useBench((state) => state.selected === line.shows);
  const [target, setTarget] = useState<Snap | null>(null);
  const [against, setAgainst] = useState<string | null>(null);
  const resting = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const upright = line.moves === 'h';
  const reach = STICKS / laid.unit;
  useEffect(() => () => clearTimeout(resting.current), []);
  /** Why an act would be refused on this cabinet, or the stop it would bring. */
  const why = (act: Act) => {
    const { trial, cabinetId } = store.getState();
    return trial(act, cabinetId);
  };

  /** Puts the line there, or where it last may be on the way. */
  const place = (at: number) => {
    const { act } = store.getState();
    if (Math.abs(at - line.at) < 1e-6) return;
    const refusal = why(line.place(at));
    if (refusal === null) {
      act(line.place(at));
      return;
    }
    const good = lastGood(line, at, (tried) => why(line.place(tried)) === null);
    const rest = good === undefined ? undefined : settle(line, good, 0, style).at;
    const fits = rest !== undefined && Math.abs(rest - line.at) > 1e-6 && why(line.place(rest)) === null;
    if (fits) act(line.place(rest));
    store.setState({
      lastAct: `${line.label}: ${fits ? `stopped at ${sizesAt(line, rest, style)[0]}; ` : ''}${refusal}`,
    });
  };
  const onKey = (event: KeyboardEvent) => {
    const [less, more] = upright ? ['ArrowLeft', 'ArrowRight'] : ['ArrowDown', 'ArrowUp'];
    const by = event.key === more ? 1 : event.key === less ? -1 : 0;
    if (by === 0) return;
    event.preventDefault();
    event.stopPropagation();
    const step = stepOf(style) * (event.shiftKey ? 10 : 1);
    place(Math.min(line.most, Math.max(line.least, line.at + by * step)));
  };
  const snapAt = ({ dx, dy, alt }: Dragged) =>
    settle(line, line.at + (upright ? dx : -dy) / laid.unit, alt ? 0 : reach, style);
  const drag = useDrag<Line>({
    moved(_line, by) {
      const next = snapAt(by);
      setTarget(next);
      clearTimeout(resting.current);
      resting.current = setTimeout(() => setAgainst(why(line.place(next.at))), RESTS);
    },
    dropped: (_line, by) => place(snapAt(by).at),
    pressed: ({ shows }) => store.getState().select(shows),
    ended() {
      clearTimeout(resting.current);
      setTarget(null);
      setAgainst(null);
    },
  });
  const shown = (at: number) =>
    upright
      ? { a: onSheet(laid, { h: at, v: line.from }), b: onSheet(laid, { h: at, v: line.to }) }
      : { a: onSheet(laid, { h: line.from, v: at }), b: onSheet(laid, { h: line.to, v: at }) };
  const { a, b } = shown(line.at);
  const [x, y] = [Math.min(a.x, b.x), Math.min(a.y, b.y)];
  const [width, height] = [Math.abs(a.x - b.x), Math.abs(a.y - b.y)];
  const [first] = line.following;
  return (
    <g data-line={line.id}>
      {selected && (
        <line
          x1={a.x}
          y1={a.y}
          x2={b.x}
          y2={b.y}
          stroke="var(--color-pencil)"
          strokeWidth={3}
          className="pointer-events-none"
        />
      )}
      <rect
        role="slider"
        tabIndex={0}
        aria-orientation={upright ? 'horizontal' : 'vertical'}
        aria-label={`${line.label}, arrows move it`}
        aria-valuenow={Math.round((first?.mm ?? 0) * 10) / 10}
        aria-valuetext={line.following.map(({ name, mm }) => `${name} ${formatLength(mm, style)}`).join(', ')}
        x={upright ? x - GRIP / 2 : x}
        y={upright ? y : y - GRIP / 2}
        width={upright ? GRIP : width}
        height={upright ? height : GRIP}
        fill="transparent"
        strokeWidth={1.4}
        strokeDasharray="3 2"
        className={`touch-none outline-none hover:stroke-pencil focus-visible:stroke-pencil ${upright ? 'cursor-ew-resize' : 'cursor-ns-resize'}`}
        onKeyDown={onKey}
        {...drag(line)}
        onClick={(event) => event.stopPropagation()}
      />
      {target && <Ghost line={line} target={target} against={against} shown={shown(target.at)} />}
    </g>
  );
}

/** Over a level line shorter than this the reason stands a line higher than the size (px). */
const SHORT = 360;

/** Where the line would stand, both sizes beside it, and why it sticks there or may not be there. */
function Ghost({
  line,
  target,
  against,
  shown: { a, b },
}: {
  line: Line;
  target: Snap;
  against: string | null;
  shown: { a: { x: number; y: number }; b: { x: number; y: number } };
}) {
  const style = useBench((state) => state.job.display);
  const ink = against ? 'var(--color-finding)' : 'var(--color-pencil)';
  const upright = line.moves === 'h';
  const sizes = line.following.map(({ mm, by }) => formatLength(mm + by * (target.at - line.at), style));
  const [middle, cross] = [(a.x + b.x) / 2, (a.y + b.y) / 2];
  // The first lies left of an upright line, above a level one.
  const places = upright
    ? [
        { x: a.x - 8, y: cross, anchor: 'end' as const },
        { x: a.x + 8, y: cross, anchor: 'start' as const },
      ]
    : [
        { x: middle, y: a.y - 8, anchor: 'middle' as const },
        { x: middle, y: a.y + 20, anchor: 'middle' as const },
      ];
  const why = against ?? target.why;
  return (
    <g className="pointer-events-none">
      <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke={ink} strokeWidth={2.2} />
      {sizes.map((size, at) => (
        <Tag key={at} {...(places[at] as (typeof places)[number])} text={size} ink={ink} bold />
      ))}
      {why !== '' && (
        <Tag
          x={upright ? a.x : Math.max(a.x, b.x) - 4}
          y={upright ? Math.min(a.y, b.y) + 16 : a.y - (Math.abs(a.x - b.x) < SHORT ? 28 : 8)}
          anchor={upright ? 'middle' : 'end'}
          text={why}
          ink={ink}
        />
      )}
    </g>
  );
}

function Tag({
  x,
  y,
  anchor,
  text,
  ink,
  bold = false,
}: {
  x: number;
  y: number;
  anchor: 'start' | 'middle' | 'end';
  text: string;
  ink: string;
  bold?: boolean;
}) {
  return (
    <text
      x={x}
      y={y}
      textAnchor={anchor}
      fontSize={bold ? 17 : 14}
      fontWeight={bold ? 700 : 600}
      fill={ink}
      stroke="var(--color-sheet)"
      strokeWidth={4}
      paintOrder="stroke"
    >
      {text}
    </text>
  );
}
