import type { KeyboardEvent } from 'react';
import { sizeNames, typeOver } from '../../../core/commands/index.js';
import { formatLength, type LengthStyle } from '../../../core/ground/index.js';
import {
  dimensionFigures,
  dimensionGround,
  dimensionLines,
  type PlacedDimension,
} from '../../../core/present/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { LengthField } from '../../fields/LengthField.js';
import { Marks } from '../../figures/Marks.js';
import { useBench } from '../context.js';

/** Lines, ticks and leaders lie under every text. */
export function DimensionLines({ placed }: { placed: PlacedDimension }) {
  return (
    <g className="pointer-events-none">
      <Marks marks={dimensionLines(placed)} />
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
  const { item } = placed;
  const ground = dimensionGround(placed, style);
  const onKey = (event: KeyboardEvent) => {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    onOpen();
  };
  const editable = item.edits !== undefined;
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
          x={ground.x}
          y={ground.y}
          width={ground.width}
          height={ground.height}
          fill="var(--color-sheet)"
          className="group-focus-within:fill-pencil-pale group-hover:fill-pencil-pale"
        />
      </g>
      {/* The figures stand beside the button, whose name says them in words. */}
      <g aria-hidden="true" className="pointer-events-none" data-figures={item.id}>
        <Marks marks={dimensionFigures(placed, style)} />
      </g>
      {editable && (
        <line
          x1={ground.x + 3}
          x2={ground.x + ground.width - 3}
          y1={ground.y + ground.height}
          y2={ground.y + ground.height}
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
