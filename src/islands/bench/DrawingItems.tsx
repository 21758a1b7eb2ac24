import type { Drawing, DrawingItem, LaidSheet } from '../../core/drawing/index.js';
import { TINT_FILL } from '../figures/tints.js';
import { useBench } from './context.js';

/** Line weights carry meaning and stay the same at any scale. */
const STROKE = {
  outline: { strokeWidth: 1.9 },
  visible: { strokeWidth: 1.1 },
  hidden: { strokeWidth: 0.9, strokeDasharray: '5 3' },
  centre: { strokeWidth: 0.8, strokeDasharray: '12 3 2 3' },
  swing: { strokeWidth: 0.8, strokeDasharray: '12 3 2 3' },
} as const;

/** Everything of a drawing but its dimensions; parts can be chosen by clicking them. */
export function DrawingItems({ drawing, laid, lit }: { drawing: Drawing; laid: LaidSheet; lit: boolean }) {
  const selected = useBench((state) => state.selected);
  const select = useBench((state) => state.select);
  return (
    <g>
      {drawing.items.map((item, at) => (
        <Item
          key={at}
          item={item}
          laid={laid}
          chosen={lit && item.shows !== undefined && item.shows === selected}
          onSelect={select}
        />
      ))}
    </g>
  );
}

function Item({
  item,
  laid,
  chosen,
  onSelect,
}: {
  item: DrawingItem;
  laid: LaidSheet;
  chosen: boolean;
  onSelect: (key: string) => void;
}) {
  const stroke = chosen ? 'var(--color-pencil)' : 'var(--color-ink)';
  if (item.kind === 'region') {
    const from = laid.toSheet(item.from);
    const to = laid.toSheet(item.to);
    const [x, y, width, height] = [from.x, to.y, to.x - from.x, from.y - to.y];
    if (width <= 0 || height <= 0) return null;
    return (
      // biome-ignore lint/a11y/noStaticElementInteractions: the parts table offers the same choice by keyboard
      <g
        data-part={item.shows}
        onClick={(event) => {
          if (!item.shows) return;
          event.stopPropagation();
          onSelect(item.shows);
        }}
        className={item.weight === 'hidden' ? 'pointer-events-none' : ''}
      >
        <rect
          x={x}
          y={y}
          width={width}
          height={height}
          fill={chosen && item.weight !== 'hidden' ? 'var(--color-pencil-pale)' : TINT_FILL[item.tint]}
          stroke={stroke}
          {...STROKE[item.weight]}
          {...(chosen ? { strokeWidth: 2.4 } : {})}
        />
        {item.cut && (
          <rect x={x} y={y} width={width} height={height} fill="url(#hatch)" className="pointer-events-none" />
        )}
        {item.grain && <GrainLines x={x} y={y} width={width} height={height} along={item.grain} />}
      </g>
    );
  }
  if (item.kind === 'shape') {
    const points = item.points.map((point) => laid.toSheet(point));
    return (
      // biome-ignore lint/a11y/noStaticElementInteractions: the parts table offers the same choice by keyboard
      <polygon
        data-part={item.shows}
        points={points.map(({ x, y }) => `${x},${y}`).join(' ')}
        fill={chosen ? 'var(--color-pencil-pale)' : TINT_FILL[item.tint]}
        stroke={stroke}
        {...STROKE[item.weight]}
        onClick={(event) => {
          if (!item.shows) return;
          event.stopPropagation();
          onSelect(item.shows);
        }}
      />
    );
  }
  if (item.kind === 'hole') {
    const { x, y } = laid.toSheet(item.at);
    const radius = Math.max(2.2, (item.diameter / 2) * laid.unit);
    return (
      <g className="pointer-events-none" stroke={stroke} strokeWidth={0.9}>
        <circle
          cx={x}
          cy={y}
          r={radius}
          fill="var(--color-sheet)"
          strokeDasharray={item.weight === 'hidden' ? '2 2' : undefined}
        />
      </g>
    );
  }
  if (item.kind === 'line') {
    const points = item.points.map((point) => laid.toSheet(point));
    return (
      <polyline
        className="pointer-events-none"
        points={points.map(({ x, y }) => `${x},${y}`).join(' ')}
        fill="none"
        stroke={stroke}
        opacity={0.65}
        {...STROKE[item.weight]}
      />
    );
  }
  const { x, y } = laid.toSheet(item.at);
  const half = Math.max(17, item.text.length * 3.6 + 6);
  const room = item.room === undefined ? Number.POSITIVE_INFINITY : item.room * laid.unit;
  if (room < 14) return null;
  const framed = room >= 25;
  return (
    <g className="pointer-events-none">
      {framed && (
        <rect
          x={x - half}
          y={y - 11}
          width={half * 2}
          height={22}
          rx={11}
          fill="var(--color-sheet)"
          stroke={stroke}
          strokeWidth={chosen ? 1.6 : 0.8}
        />
      )}
      <text x={x} y={y + 5} textAnchor="middle" fontSize={14.5} fontWeight={600} fill={stroke}>
        {item.text}
      </text>
    </g>
  );
}

/** A few fine lines that say which way the grain runs; the same for the same front, so that nothing flickers. */
function GrainLines({
  x,
  y,
  width,
  height,
  along,
}: {
  x: number;
  y: number;
  width: number;
  height: number;
  along: 'h' | 'v';
}) {
  const across = along === 'v' ? width : height;
  const count = Math.max(2, Math.floor(across / 26));
  const inset = 5;
  return (
    <g stroke="var(--color-ink)" strokeWidth={0.6} opacity={0.13} className="pointer-events-none">
      {Array.from({ length: count }, (_, at) => {
        const wobble = Math.sin((at + 1) * 12.9898) * 0.3;
        const place = ((at + 0.5 + wobble) / count) * across;
        const key = `${along}${at}`;
        return along === 'v' ? (
          <line key={key} x1={x + place} x2={x + place} y1={y + inset} y2={y + height - inset} />
        ) : (
          <line key={key} y1={y + place} y2={y + place} x1={x + inset} x2={x + width - inset} />
        );
      })}
    </g>
  );
}
