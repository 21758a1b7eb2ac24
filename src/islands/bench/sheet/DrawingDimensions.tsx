import type { KeyboardEvent } from 'react';
import { sizeNames, typeOver } from '../../../core/commands/index.js';
import { formatLength, type LengthStyle } from '../../../core/ground/index.js';
import type { PlacedDimension } from '../../../core/present/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { LengthField } from '../../fields/LengthField.js';
import { DrawnLength, drawnLengthWidth } from '../../figures/DrawnLength.js';
import { useBench } from '../context.js';

/** Type size of figures on a drawing. */
export const FIGURE_SIZE = 17;
/** Type size of a word beside a figure. */
const CAPTION_SIZE = 14;

/** Room a caption takes beside its figure, in the condensed face. */
export function captionWidth(caption: string | undefined): number {
  return caption ? caption.length * CAPTION_SIZE * 0.4 + 3 : 0;
}

/** Room a text takes across its line: a stacked fraction is taller than a figure. */
export const TEXT_HEIGHT = { mm: 19, in: 27 } as const;

/** Lines, ticks and leaders lie under every text. */
export function DimensionLines({ placed }: { placed: PlacedDimension }) {
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

/** The figures of a dimension: a button that opens its tape, and its field when it can be typed over. */
export function DimensionMark({
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
        aria-label={`${item.dim.label} ${formatLength(item.dim.value, style)}, ${editable ? 'change' : 'show the tape'}`}
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
        <DrawnLength
          mm={item.dim.value}
          style={style}
          x={text.x - captionWidth(item.caption) / 2}
          y={text.y}
          size={FIGURE_SIZE}
        />
        {item.caption && (
          <text
            x={text.x - captionWidth(item.caption) / 2 + drawnLengthWidth(item.dim.value, style, FIGURE_SIZE) / 2 + 4}
            y={text.y + 5}
            fontSize={CAPTION_SIZE}
            fill="var(--color-ink-soft)"
          >
            {item.caption}
          </text>
        )}
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
export function DimensionEntry({
  placed,
  offset,
  style,
  solved,
  width,
  onDone,
}: {
  placed: PlacedDimension;
  /** How far the paper was moved (px). */
  offset: { readonly x: number; readonly y: number };
  style: LengthStyle;
  solved: SolvedCabinet;
  width: number;
  onDone: () => void;
}) {
  const act = useBench((state) => state.act);
  const { item } = placed;
  const text = { x: placed.text.x + offset.x, y: placed.text.y + offset.y };
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
        mm={item.dim.value}
        style={style}
        names={sizeNames(solved)}
        autoFocus
        className="w-full bg-sheet text-[1.0625rem] font-semibold shadow-md"
        onDone={onDone}
        onCommit={(mm) => act(typeOver(item, mm))}
      />
    </div>
  );
}
