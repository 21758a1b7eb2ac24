import { useEffect, useMemo, useRef, useState } from 'react';
import { type DimensionItem, type Drawing, inLayers, type LaidSheet, laySheet } from '../../../core/drawing/index.js';
import type { SolvedCabinet } from '../../../core/solve.js';
import { drawnLengthWidth } from '../../figures/DrawnLength.js';
import { useBench } from '../context.js';
import {
  captionWidth,
  DimensionEntry,
  DimensionLines,
  DimensionMark,
  FIGURE_SIZE,
  TEXT_HEIGHT,
} from './DrawingDimensions.js';
import { DragHandleMark } from './DrawingHandles.js';
import { DrawingItems } from './DrawingItems.js';
import { FindingMarks } from './FindingMarks.js';

export const UNITS_PER_MM = 96 / 25.4;
export const TITLE_HEIGHT = 30;
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
  const layers = useBench((state) => state.layers);
  const drawing = useMemo(() => {
    const whole = draw(solved);
    return whole && inLayers(whole, layers);
  }, [draw, solved, layers]);
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
        (item) => Math.max(24, drawnLengthWidth(item.dim.mm, style, FIGURE_SIZE) + 6) + captionWidth(item.caption),
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
          <Hatch />
          <ViewLayer solved={solved} drawing={drawing} laid={laid} lit={lit} editing={editing} onOpen={open} />
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

/** End grain on the drawing. */
export function Hatch() {
  return (
    <defs>
      <pattern id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="6" stroke="var(--color-ink)" strokeOpacity="0.35" strokeWidth="1" />
      </pattern>
    </defs>
  );
}

/** One view on a sheet: what it shows, what can be dragged on it, what was found, and its dimensions above all. */
export function ViewLayer({
  solved,
  drawing,
  laid,
  lit = true,
  editing,
  onOpen,
}: {
  solved: SolvedCabinet;
  drawing: Drawing;
  laid: LaidSheet;
  lit?: boolean;
  editing: string | null;
  onOpen: (item: DimensionItem) => void;
}) {
  const style = useBench((state) => state.job.display);
  const findings = useBench((state) => state.layers.findings);
  return (
    <>
      <DrawingItems drawing={drawing} laid={laid} lit={lit} />
      {drawing.handles?.map((handle) => (
        <DragHandleMark key={handle.id} handle={handle} laid={laid} />
      ))}
      {findings && <FindingMarks solved={solved} drawing={drawing} laid={laid} />}
      {laid.dimensions.map((placed) => (
        <DimensionLines key={placed.item.id} placed={placed} />
      ))}
      {laid.dimensions.map((placed) => (
        <DimensionMark
          key={placed.item.id}
          placed={placed}
          style={style}
          hidden={placed.item.id === editing}
          onOpen={() => onOpen(placed.item)}
        />
      ))}
    </>
  );
}

export function useSize(frame: { current: HTMLElement | null }) {
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

export function TitleStrip({
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
