import { type KeyboardEvent, useEffect, useMemo, useRef, useState } from 'react';
import {
  type DimensionItem,
  type Drawing,
  type DrawingItem,
  type LaidSheet,
  laySheet,
  type PlacedDimension,
} from '../../core/drawing/index.js';
import type { SolvedCabinet } from '../../core/solve.js';
import { formatLength, type LengthStyle } from '../../core/units/index.js';
import { LengthField } from '../fields/LengthField.js';
import { DrawnLength, drawnLengthWidth } from '../figures/DrawnLength.js';
import { TINT_FILL } from '../figures/tints.js';
import { useBench } from './context.js';
import { entryNames } from './names.js';

const FIGURE_SIZE = 17;
/** Room a text takes across its line: a stacked fraction is taller than a figure. */
const TEXT_HEIGHT = { mm: 19, in: 27 } as const;
const UNITS_PER_MM = 96 / 25.4;
const TITLE_HEIGHT = 30;
const FIRST_SIZE = { width: 700, height: 420 };

export interface DrawingSheetProps {
  readonly solved: SolvedCabinet;
  readonly savedAt: string;
  /** Draws the view from a solved cabinet, again after every edit; undefined when there is nothing to show. */
  readonly draw: (solved: SolvedCabinet) => Drawing | undefined;
  /** Whether the selected part is lit; a drawing of one part alone need not say which. */
  readonly lit?: boolean;
}

/** A drawing on a sheet with its title block. Its numbers are fields. */
export function DrawingSheet({ solved, savedAt, draw, lit = true }: DrawingSheetProps) {
  const select = useBench((state) => state.select);
  const openTape = useBench((state) => state.openTape);
  const style = useBench((state) => state.job.display);
  const [editing, setEditing] = useState<string | null>(null);
  const frame = useRef<HTMLDivElement>(null);
  const size = useSize(frame);
  const drawing = useMemo(() => draw(solved), [draw, solved]);
  const laid = useMemo(
    () =>
      drawing &&
      laySheet(
        drawing,
        {
          width: size.width,
          height: size.height - TITLE_HEIGHT,
          unitsPerMm: UNITS_PER_MM,
          textHeight: TEXT_HEIGHT[style.unit],
        },
        (item) => Math.max(24, drawnLengthWidth(item.dim.mm, style, FIGURE_SIZE) + 6),
      ),
    [drawing, size, style],
  );
  const open = (item: DimensionItem) => {
    openTape((each) => draw(each)?.dimensions.find((other) => other.id === item.id)?.dim);
    if (item.edits) setEditing(item.id);
  };
  const edited = laid?.dimensions.find(({ item }) => item.id === editing);
  return (
    <div ref={frame} className="relative min-h-0 overflow-hidden">
      {drawing && laid && (
        // biome-ignore lint/a11y/useKeyWithClickEvents: Escape on the page lets the selection go as well
        <svg
          role="group"
          aria-label={`${drawing.title.view} of ${drawing.title.cabinet}`}
          width={size.width}
          height={size.height}
          className="absolute inset-0 select-none"
          onClick={() => select(null)}
        >
          <defs>
            <pattern id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <line x1="0" y1="0" x2="0" y2="6" stroke="var(--color-ink)" strokeOpacity="0.35" strokeWidth="1" />
            </pattern>
          </defs>
          <Items drawing={drawing} laid={laid} lit={lit} />
          {laid.dimensions.map((placed) => (
            <DimensionLines key={placed.item.id} placed={placed} />
          ))}
          {laid.dimensions.map((placed) => (
            <DimensionMark
              key={placed.item.id}
              placed={placed}
              style={style}
              hidden={placed.item.id === editing}
              onOpen={() => open(placed.item)}
            />
          ))}
          <TitleStrip
            drawing={drawing}
            laid={laid}
            width={size.width}
            height={size.height}
            unit={style.unit}
            savedAt={savedAt}
          />
        </svg>
      )}
      {edited && (
        <DimensionEntry
          key={edited.item.id}
          placed={edited}
          style={style}
          solved={solved}
          width={size.width}
          onDone={() => setEditing(null)}
        />
      )}
    </div>
  );
}

function useSize(frame: { current: HTMLElement | null }) {
  const [size, setSize] = useState(FIRST_SIZE);
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const observer = new ResizeObserver(() => setSize({ width: element.clientWidth, height: element.clientHeight }));
    observer.observe(element);
    return () => observer.disconnect();
  }, [frame]);
  return size;
}

const STROKE = {
  outline: { strokeWidth: 1.9 },
  visible: { strokeWidth: 1.1 },
  hidden: { strokeWidth: 0.9, strokeDasharray: '5 3' },
  centre: { strokeWidth: 0.8, strokeDasharray: '12 3 2 3' },
  swing: { strokeWidth: 0.8, strokeDasharray: '12 3 2 3' },
} as const;

function Items({ drawing, laid, lit }: { drawing: Drawing; laid: LaidSheet; lit: boolean }) {
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
  return (
    <g className="pointer-events-none">
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

/** Lines, ticks and leaders lie under every text. */
function DimensionLines({ placed }: { placed: PlacedDimension }) {
  const { start, end, extensions, leader } = placed;
  return (
    <g>
      <g stroke="var(--color-ink)" strokeWidth={0.7} fill="none" className="pointer-events-none">
        <line x1={start.x} y1={start.y} x2={end.x} y2={end.y} />
        {extensions.map(([a, b], at) => (
          <line key={at} x1={a.x} y1={a.y} x2={b.x} y2={b.y} opacity={0.6} />
        ))}
        {[start, end].map((point, at) => (
          <line
            key={at}
            x1={point.x - 3.5}
            y1={point.y + 3.5}
            x2={point.x + 3.5}
            y2={point.y - 3.5}
            strokeWidth={1.3}
          />
        ))}
        {leader && <line x1={leader[0].x} y1={leader[0].y} x2={leader[1].x} y2={leader[1].y} opacity={0.5} />}
      </g>
    </g>
  );
}

function DimensionMark({
  placed,
  style,
  hidden,
  onOpen,
}: {
  placed: PlacedDimension;
  style: LengthStyle;
  hidden: boolean;
  onOpen: () => void;
}) {
  const { item, text, textWidth } = placed;
  const upright = item.side === 'left' || item.side === 'right';
  const onKey = (event: KeyboardEvent) => {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    onOpen();
  };
  const editable = item.edits !== undefined;
  const half = TEXT_HEIGHT[style.unit] / 2;
  if (hidden) return null;
  return (
    <g className="group text-ink focus-within:text-pencil hover:text-pencil">
      <g
        role="button"
        tabIndex={0}
        data-dimension={item.id}
        aria-label={`${item.dim.label} ${formatLength(item.dim.mm, style)}, ${editable ? 'change' : 'show the tape'}`}
        className="cursor-pointer outline-none"
        onClick={(event) => {
          event.stopPropagation();
          onOpen();
        }}
        onKeyDown={onKey}
      >
        <rect
          x={text.x - textWidth / 2 - (upright ? 2 : 1)}
          y={text.y - half}
          width={textWidth + (upright ? 4 : 2)}
          height={half * 2}
          fill="var(--color-sheet)"
          className="group-focus-within:fill-pencil-pale group-hover:fill-pencil-pale"
        />
      </g>
      {/* The figures stand beside the button, whose name says them in words. */}
      <g aria-hidden="true" className="pointer-events-none" data-figures={item.id}>
        <DrawnLength mm={item.dim.mm} style={style} x={text.x} y={text.y} size={FIGURE_SIZE} />
      </g>
      {editable && (
        <line
          x1={text.x - textWidth / 2 + 2}
          x2={text.x + textWidth / 2 - 2}
          y1={text.y + half}
          y2={text.y + half}
          stroke="var(--color-pencil)"
          strokeWidth={1.2}
          strokeDasharray="2 2"
        />
      )}
    </g>
  );
}

/** The field that lies over a dimension while it is being changed. */
function DimensionEntry({
  placed,
  style,
  solved,
  width,
  onDone,
}: {
  placed: PlacedDimension;
  style: LengthStyle;
  solved: SolvedCabinet;
  width: number;
  onDone: () => void;
}) {
  const act = useBench((state) => state.act);
  const { item, text } = placed;
  const box = 96;
  const left = Math.min(Math.max(4, text.x - box / 2), width - box - 4);
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: only watches focus leaving the field inside
    <div
      className="absolute z-20"
      style={{ left, top: text.y - 16, width: box }}
      onBlur={(event) => {
        if (!event.currentTarget.querySelector('[role=alert]')) onDone();
      }}
    >
      <LengthField
        label={item.dim.label}
        mm={item.dim.mm}
        style={style}
        names={entryNames(solved)}
        autoFocus
        className="w-full bg-sheet text-[1.0625rem] font-semibold shadow-md"
        onDone={onDone}
        onCommit={(mm) =>
          act({
            label: item.dim.label.charAt(0).toUpperCase() + item.dim.label.slice(1),
            edits: [{ path: item.edits as string, value: mm }],
          })
        }
      />
    </div>
  );
}

function TitleStrip({
  drawing,
  laid,
  width,
  height,
  unit,
  savedAt,
}: {
  drawing: Drawing;
  laid: LaidSheet;
  width: number;
  height: number;
  unit: string;
  savedAt: string;
}) {
  const y = height - TITLE_HEIGHT;
  const { job, cabinet, view } = drawing.title;
  const date = savedAt.slice(0, 10);
  const narrow = width < 520;
  const words = [
    { x: 12, text: cabinet, weight: 700 },
    { x: width * (narrow ? 0.46 : 0.34), text: view, weight: 400 },
    { x: width * (narrow ? 0.8 : 0.54), text: `1 : ${laid.scale}`, weight: 400 },
    ...(narrow
      ? []
      : [
          { x: width * 0.63, text: unit === 'mm' ? 'millimetres' : 'inches', weight: 400 },
          { x: width * 0.8, text: date, weight: 400 },
        ]),
  ];
  return (
    <g className="pointer-events-none">
      <title>{job}</title>
      <line x1={0} x2={width} y1={y} y2={y} stroke="var(--color-ink)" strokeWidth={1.1} />
      {words.map(({ x, text, weight }, at) => (
        <g key={x}>
          {at > 0 && <line x1={x - 10} x2={x - 10} y1={y} y2={height} stroke="var(--color-ink)" strokeWidth={0.7} />}
          <text x={x} y={y + 20} fontSize={15} fontWeight={weight} fill="var(--color-ink)">
            {text}
          </text>
        </g>
      ))}
    </g>
  );
}
