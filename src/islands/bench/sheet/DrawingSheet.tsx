import { type ReactNode, type RefObject, useEffect, useMemo, useRef, useState } from 'react';
import type { Line } from '../../../core/commands/index.js';
import {
  type DimensionItem,
  type Drawing,
  inLayers,
  type LaidSheet,
  laySheet,
  type SheetSize,
  spaceOf,
  TITLE_HEIGHT,
  type TitleBlock,
  textWidthIn,
  titleInk,
} from '../../../core/present/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { Hatch, Marks } from '../../figures/Marks.js';
import { useRest } from '../afterwards.js';
import { useBench } from '../context.js';
import { shownAt } from '../numbers.js';
import { useChoosing } from './choosing.js';
import { DragLines } from './DragLines.js';
import { DimensionEntry, DimensionLines, DimensionMark } from './DrawingDimensions.js';
import { DragHandleMark } from './DrawingHandles.js';
import { DrawingItems } from './DrawingItems.js';
import { FindingMarks } from './FindingMarks.js';
import { Measure, useMeasuring } from './Measure.js';
import { OpeningMarks } from './OpeningMarks.js';
import { offsetOf } from './zoom.js';

/** A view that has the sheet for itself. */
const ALONE = 'alone';
const FIRST_SIZE = { width: 700, height: 420 };

export interface DrawingSheetProps {
  readonly solved: SolvedCabinet;
  readonly savedAt: string;
  /** Draws the view from a solved cabinet, again after every edit; undefined when there is nothing to show. */
  readonly draw: (solved: SolvedCabinet) => Drawing | undefined;
  /** Whether the selected part is lit; a drawing of one part alone need not say which. */
  readonly lit?: boolean;
  /** What can be dragged on it. */
  readonly lines?: readonly Line[];
}

/** A drawing on a sheet with its title block. Its numbers are fields. */
export function DrawingSheet({ solved, savedAt, draw, lit = true, lines }: DrawingSheetProps) {
  const style = useBench((state) => state.job.display);
  const frame = useRef<HTMLDivElement>(null);
  const size = useSize(frame);
  const layers = useBench((state) => state.layers);
  const times = useBench((state) => state.zoom.times);
  const view = useMemo((): SheetView | undefined => {
    const whole = draw(solved);
    if (!whole) return undefined;
    const drawing = inLayers(whole, layers);
    return {
      id: ALONE,
      drawing,
      laid: laySheet(drawing, spaceOf(size, style), textWidthIn(style), times),
      draw,
      ...(lines ? { lines } : {}),
    };
  }, [draw, solved, size, style, layers, times, lines]);
  return (
    <SheetFrame
      frame={frame}
      size={size}
      solved={solved}
      savedAt={savedAt}
      views={view ? [view] : []}
      title={view?.drawing.title}
      lit={lit}
    />
  );
}

/** A view laid out on a sheet, and how it is drawn again after an edit. */
export interface SheetView {
  readonly id: string;
  readonly drawing: Drawing;
  readonly laid: LaidSheet;
  readonly draw: (solved: SolvedCabinet) => Drawing | undefined;
  /** What can be dragged on it; only where openings lie before one. */
  readonly lines?: readonly Line[];
}

/** The views of a sheet, its title block, and the field over the number that is being changed. */
export function SheetFrame({
  frame,
  size,
  solved,
  savedAt,
  views,
  title,
  lit = true,
  onForward,
  children,
}: {
  frame: RefObject<HTMLDivElement | null>;
  size: SheetSize;
  solved: SolvedCabinet;
  savedAt: string;
  views: readonly SheetView[];
  title: TitleBlock | undefined;
  lit?: boolean;
  /** A double press on a view brings it forward, where there are several. */
  onForward?: (id: string) => void;
  /** What lies on the sheet beside its views. */
  children?: ReactNode;
}) {
  const select = useBench((state) => state.select);
  const openTape = useBench((state) => state.openTape);
  const shown = useBench((state) => state.view);
  const drawnBy = useBench((state) => state.drawnBy);
  useEffect(() => {
    drawnBy(Object.fromEntries(views.map(({ id, draw }) => [id === ALONE ? shown : id, draw])));
  }, [drawnBy, views, shown]);
  const style = useBench((state) => state.job.display);
  const [editing, setEditing] = useState<string | null>(null);
  const edited = views.flatMap(({ laid }) => laid.dimensions).find(({ item }) => item.id === editing);
  const [first] = views;
  const paper = useRef<SVGSVGElement>(null);
  const zoom = useBench((state) => state.zoom);
  const rest = useRest();
  const measuring = useMeasuring();
  const choosing = useChoosing(solved, views.find(({ lines }) => lines)?.laid, paper);
  const offset = offsetOf(zoom, { width: size.width, height: size.height - TITLE_HEIGHT });
  return (
    <div ref={frame} className="relative min-h-0 overflow-hidden">
      {first && title && (
        // biome-ignore lint/a11y/useKeyWithClickEvents: Escape on the page lets the selection go as well
        <svg
          ref={paper}
          role="group"
          aria-label={`${title.view} of ${title.cabinet}`}
          width={size.width}
          height={size.height}
          className="absolute inset-0 touch-none select-none"
          onClick={() => select(null)}
          {...choosing.on}
        >
          <Hatch />
          <g transform={`translate(${offset.x} ${offset.y})`}>
            {views.map(({ id, drawing, laid, lines }) => (
              // biome-ignore lint/a11y/noStaticElementInteractions: the tabs and their keys bring a view forward as well
              <g key={id} data-view={id} onDoubleClick={() => onForward?.(id)}>
                <ViewLayer
                  solved={solved}
                  drawing={drawing}
                  laid={laid}
                  lines={lines}
                  measuring={measuring}
                  lit={lit}
                  editing={editing}
                  onOpen={(item) => {
                    openTape(shownAt('drawn', id === ALONE ? shown : id, item.id));
                    if (item.edits) setEditing(item.id);
                  }}
                />
              </g>
            ))}
            {choosing.frame && (
              <rect
                {...choosing.frame}
                fill="var(--color-pencil)"
                fillOpacity={0.08}
                stroke="var(--color-pencil)"
                strokeDasharray="4 3"
                className="pointer-events-none"
              />
            )}
          </g>
          <g className="pointer-events-none">
            <title>{title.job}</title>
            <Marks marks={titleInk(title, size, first.laid.scale, style, savedAt.slice(0, 10))} />
          </g>
        </svg>
      )}
      {first && rest && <rest.Zooming paper={paper} />}
      {edited && (
        <DimensionEntry
          key={edited.item.id}
          placed={edited}
          offset={offset}
          style={style}
          solved={solved}
          width={size.width}
          onDone={() => setEditing(null)}
        />
      )}
      {children}
    </div>
  );
}

/** One view on a sheet: what it shows, what can be dragged on it, what was found, and its dimensions above all. */
function ViewLayer({
  solved,
  drawing,
  laid,
  lines,
  measuring,
  lit = true,
  editing,
  onOpen,
}: {
  solved: SolvedCabinet;
  drawing: Drawing;
  laid: LaidSheet;
  lines: readonly Line[] | undefined;
  measuring: boolean;
  lit?: boolean;
  editing: string | null;
  onOpen: (item: DimensionItem) => void;
}) {
  const style = useBench((state) => state.job.display);
  const findings = useBench((state) => state.layers.findings);
  return (
    <>
      <DrawingItems drawing={drawing} laid={laid} lit={lit} />
      {lines && <DragLines lines={lines} laid={laid} />}
      {lines && <OpeningMarks solved={solved} laid={laid} />}
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
      {measuring && <Measure drawing={drawing} laid={laid} />}
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
