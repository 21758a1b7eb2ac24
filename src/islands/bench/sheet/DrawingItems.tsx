import {
  type Drawing,
  type DrawingItem,
  type HardwareItem,
  type LaidSheet,
  onSheet,
} from '../../../core/present/index.js';
import { TINT_FILL } from '../../figures/tints.js';
import { useBench } from '../context.js';

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
          chosen={(lit || item.kind === 'hardware') && item.shows !== undefined && item.shows === selected}
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
    const from = onSheet(laid, item.from);
    const to = onSheet(laid, item.to);
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
          stroke={item.tint === 'bay' ? 'none' : stroke}
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
    const points = item.points.map((point) => onSheet(laid, point));
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
    const { x, y } = onSheet(laid, item.at);
    const radius = Math.max(1.5, (item.diameter / 2) * laid.unit);
    return (
      // biome-ignore lint/a11y/noStaticElementInteractions: the table of what is cut offers the same choice by keyboard
      <g
        data-part={item.shows}
        className={item.shows ? 'cursor-pointer' : 'pointer-events-none'}
        stroke={stroke}
        strokeWidth={chosen ? 2.2 : 0.9}
        onClick={(event) => {
          if (!item.shows) return;
          event.stopPropagation();
          onSelect(item.shows);
        }}
      >
        <circle
          cx={x}
          cy={y}
          r={radius}
          fill={chosen ? 'var(--color-pencil-pale)' : 'var(--color-sheet)'}
          strokeDasharray={item.weight === 'hidden' ? '2 2' : undefined}
        />
        {item.shows && <circle cx={x} cy={y} r={Math.max(radius, 6)} fill="transparent" stroke="none" />}
      </g>
    );
  }
  if (item.kind === 'line') {
    const points = item.points.map((point) => onSheet(laid, point));
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
  if (item.kind === 'hardware') return <Hardware item={item} laid={laid} chosen={chosen} onSelect={onSelect} />;
  const { x, y } = onSheet(laid, item.at);
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

/** Hardware in graphite: a ring for a cup, a bar with two screws for a plate, a split bar for a butt, a bar for a pull. */
function Hardware({
  item,
  laid,
  chosen,
  onSelect,
}: {
  item: HardwareItem;
  laid: LaidSheet;
  chosen: boolean;
  onSelect: (key: string) => void;
}) {
  const from = onSheet(laid, item.from);
  const to = onSheet(laid, item.to);
  const [x, y, width, height] = [from.x, to.y, Math.max(3, to.x - from.x), Math.max(3, from.y - to.y)];
  const [cx, cy] = [x + width / 2, y + height / 2];
  const ink = chosen ? 'var(--color-pencil)' : 'var(--color-graphite)';
  const stroke = {
    stroke: ink,
    strokeWidth: chosen ? 2.2 : 1,
    strokeDasharray: item.hidden && !chosen ? '3 2' : undefined,
  };
  const fill = chosen ? 'var(--color-pencil-pale)' : 'var(--color-sheet)';
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the hinge panel offers the same choice by keyboard
    <g
      data-hardware={item.shows}
      className={item.alone ? 'cursor-pointer' : 'pointer-events-none'}
      onClick={(event) => {
        if (!item.shows) return;
        event.stopPropagation();
        onSelect(item.shows);
      }}
    >
      {item.symbol === 'cup' && (
        <>
          <circle cx={cx} cy={cy} r={width / 2} fill={fill} fillOpacity={0.85} {...stroke} />
          <path d={`M${cx - 2.5} ${cy}h5M${cx} ${cy - 2.5}v5`} stroke={ink} strokeWidth={0.8} />
        </>
      )}
      {item.symbol === 'plate' && (
        <>
          <rect x={x} y={y} width={width} height={height} rx={1.5} fill={fill} fillOpacity={0.85} {...stroke} />
          <path
            d={`M${cx} ${y + height * 0.18}v.01M${cx} ${y + height * 0.82}v.01`}
            stroke={ink}
            strokeWidth={2.6}
            strokeLinecap="round"
          />
        </>
      )}
      {item.symbol === 'leaf' && (
        <>
          <rect x={x} y={y} width={width} height={height} fill={fill} {...stroke} />
          <path d={`M${x} ${y + height / 3}h${width}M${x} ${y + (height * 2) / 3}h${width}`} stroke={ink} />
        </>
      )}
      {item.symbol === 'pull' && (
        <rect x={x} y={y} width={width} height={height} rx={Math.min(width, height) / 2} fill={ink} />
      )}
      {item.symbol === 'knob' && (
        <>
          <circle cx={cx} cy={cy} r={width / 2} fill={fill} {...stroke} />
          <circle cx={cx} cy={cy} r={width / 5} fill={ink} />
        </>
      )}
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
