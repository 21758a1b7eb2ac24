import { useState } from 'react';
import { type LayoutSheet, pieceName } from '../../../core/decisions/index.js';
import { formatLength, type LengthStyle } from '../../../core/ground/index.js';
import type { Sequence, Strip } from '../../../core/shop/index.js';
import { useDrag } from '../../fields/drag.js';

interface Box {
  readonly x: number;
  readonly y: number;
  readonly length: number;
  readonly width: number;
}

/** Where fine lines tell which way the grain runs, as shares of the sheet's width. */
const GRAIN_LINES = Array.from({ length: 23 }, (_, at) => (at + 1) / 24);

/** So far a pointer goes before a piece is dragged (px). */
const SLACK = 5;

/** A sheet to scale with its pieces, strips, cuts and what is left of it. Pieces can be chosen, and dragged where `onDrop` is given. */
export function SheetDrawing({
  sheet,
  sequence,
  offcuts,
  marks,
  numbered,
  grain,
  strips,
  width,
  style,
  selected,
  name,
  markOf,
  onSelect,
  onDrop,
}: {
  sheet: LayoutSheet;
  sequence: Sequence | undefined;
  /** What is left and worth keeping. */
  offcuts: readonly Box[];
  /** What is written on each of them. */
  marks: readonly string[];
  /** Whether the cuts are drawn with their numbers. */
  numbered: boolean;
  /** Whether the grain runs along the sheet. */
  grain: boolean;
  strips: readonly Strip[];
  /** So wide it is drawn (px). */
  width: number;
  style: LengthStyle;
  /** Index of the selected piece. */
  selected: number | null;
  name: string;
  markOf: (at: number) => string;
  onSelect: (at: number) => void;
  /** A piece was let go: how far it was moved (mm), and where the pointer was in the window. */
  onDrop?: (
    at: number,
    by: { readonly x: number; readonly y: number },
    point: { readonly x: number; readonly y: number },
  ) => void;
}) {
  const { length, width: across, trim } = sheet;
  const scale = width / length;
  const [drag, setDrag] = useState<{ at: number; dx: number; dy: number } | null>(null);
  const hold = useDrag<number>({
    moved: (at, { dx, dy }) => setDrag({ at, dx, dy }),
    dropped: (at, { dx, dy, x, y }) => onDrop?.(at, { x: dx / scale, y: -dy / scale }, { x, y }),
    pressed: (at) => onSelect(at),
    ended: () => setDrag(null),
    fixed: onDrop === undefined,
    slack: SLACK,
  });
  // Drawn with the lower edge of the sheet below.
  const box = ({ x, y, length: l, width: w }: Box) => ({
    x: x * scale,
    y: (across - y - w) * scale,
    width: l * scale,
    height: w * scale,
  });
  const size = (l: number, w: number) => `${formatLength(l, style)} × ${formatLength(w, style)}`;
  return (
    <svg
      role="group"
      aria-label={name}
      data-sheet={sheet.id}
      width={width}
      height={across * scale}
      viewBox={`0 0 ${width} ${across * scale}`}
      className="block h-auto max-w-full overflow-visible print:w-[96%]"
    >
      <rect
        {...box({ x: 0, y: 0, length, width: across })}
        fill="var(--color-sheet)"
        stroke="var(--color-ink)"
        strokeWidth={1.4}
      />
      {trim > 0 && (
        <rect
          {...box({ x: trim, y: trim, length: length - 2 * trim, width: across - 2 * trim })}
          fill="none"
          stroke="var(--color-rule)"
          strokeDasharray="3 3"
          strokeWidth={0.7}
        />
      )}
      {grain && (
        <g stroke="var(--color-rule)" strokeWidth={0.5} opacity={0.5} aria-hidden="true">
          {GRAIN_LINES.map((share) => (
            <line key={share} x1={3} x2={width - 3} y1={across * scale * share} y2={across * scale * share} />
          ))}
        </g>
      )}
      {offcuts.map((area, at) => (
        <g key={at} data-offcut="">
          <rect {...box(area)} fill="var(--color-bench)" fillOpacity={0.35} />
          <AreaWords
            words={`${marks[at] ? `${marks[at]}: ` : ''}${size(area.length, area.width)}`}
            short={size(area.length, area.width)}
            {...box(area)}
          />
        </g>
      ))}
      {sheet.clear.map((area, at) => (
        <g key={at} data-clear="">
          <rect {...box(area)} fill="url(#kept-clear)" stroke="var(--color-finding)" strokeDasharray="4 2" />
          <AreaWords words="kept clear" {...box(area)} />
        </g>
      ))}
      <defs>
        <pattern id="kept-clear" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="8" stroke="var(--color-finding)" strokeWidth="1" opacity="0.5" />
        </pattern>
      </defs>
      {sheet.placements.map((piece, at) => {
        const moving = drag?.at === at;
        const shape = box(piece);
        if (moving) {
          shape.x += drag.dx;
          shape.y += drag.dy;
        }
        const mark = markOf(at);
        const lit = at === selected;
        const upright = shape.height > shape.width * 1.3 && shape.width < 34;
        const room = upright ? shape.height : shape.width;
        const thick = upright ? shape.width : shape.height;
        const centre = { x: shape.x + shape.width / 2, y: shape.y + shape.height / 2 };
        const words = size(piece.length, piece.width);
        const both = thick > 30 && room > words.length * 6;
        return (
          <g key={pieceName(piece.cabinet, piece.part)}>
            <g
              role="button"
              tabIndex={0}
              data-piece={mark}
              aria-label={`${mark}, ${formatLength(piece.length, style)} by ${formatLength(piece.width, style)}${piece.locked ? ', locked' : ''}`}
              aria-pressed={lit}
              className={`outline-none focus-visible:stroke-pencil ${onDrop ? 'cursor-grab touch-none' : 'cursor-pointer'}`}
              onKeyDown={(event) => {
                if (event.key !== 'Enter' && event.key !== ' ') return;
                event.preventDefault();
                onSelect(at);
              }}
              {...hold(at)}
            >
              <rect
                {...shape}
                fill={lit ? 'var(--color-pencil-pale)' : 'var(--color-timber-case)'}
                fillOpacity={moving ? 0.7 : 1}
                stroke={lit || moving ? 'var(--color-pencil)' : 'var(--color-ink)'}
                strokeWidth={lit || moving || piece.locked ? 2 : 0.9}
              />
            </g>
            {/* The figures stand beside the button, whose name says them in words. */}
            <g
              aria-hidden="true"
              className="pointer-events-none"
              transform={upright ? `rotate(-90 ${centre.x} ${centre.y})` : undefined}
            >
              {thick > 12 && room > mark.length * 7 && (
                <text
                  x={centre.x}
                  y={centre.y + (both ? -1 : 4)}
                  textAnchor="middle"
                  fontSize={13}
                  fontWeight={600}
                  fill="var(--color-ink)"
                >
                  {mark}
                  {piece.locked && room > mark.length * 7 + 60 ? ', locked' : ''}
                </text>
              )}
              {both && (
                <text x={centre.x} y={centre.y + 13} textAnchor="middle" fontSize={11.5} fill="var(--color-ink-soft)">
                  {words}
                </text>
              )}
            </g>
          </g>
        );
      })}
      {/* On paper every sheet has its cuts. */}
      <g className={numbered ? '' : 'hidden print:inline'} aria-hidden="true">
        {strips.map(({ name: strip, rect }) => {
          const { y, height } = box(rect);
          return (
            <text
              key={strip}
              x={width + 8}
              y={y + height / 2 + 4}
              fontSize={12}
              fontWeight={600}
              fill="var(--color-ink-soft)"
            >
              {strip}
            </text>
          );
        })}
        {sequence && <Cuts sequence={sequence} scale={scale} across={across} />}
      </g>
    </svg>
  );
}

/** The cuts as lines, each with its number at the end it begins from. */
function Cuts({ sequence, scale, across }: { sequence: Sequence; scale: number; across: number }) {
  return (
    <g aria-hidden="true" className="pointer-events-none" data-cuts={sequence.cuts.length}>
      {sequence.cuts.map(({ number, way, kind, at, from, to, kerf }) => {
        const middle = at + kerf / 2;
        const [x1, y1, x2, y2] =
          way === 'rip'
            ? [from * scale, (across - middle) * scale, to * scale, (across - middle) * scale]
            : [middle * scale, (across - from) * scale, middle * scale, (across - to) * scale];
        // Numbers of rips stand at their left end, those of crosscuts above the edge they begin at.
        const [x, y] = way === 'rip' ? [x1 + (kind === 'trim' ? 40 : 9), y1] : [x1, y1 - 9];
        return (
          <g key={number}>
            <line
              x1={x1}
              y1={y1}
              x2={x2}
              y2={y2}
              stroke="var(--color-pencil)"
              strokeWidth={1.6}
              strokeDasharray={kind === 'rough' ? '7 3' : kind === 'trim' ? '2 3' : undefined}
            />
            <circle cx={x} cy={y} r={8.5} fill="var(--color-sheet)" stroke="var(--color-pencil)" />
            <text x={x} y={y + 4} textAnchor="middle" fontSize={11} fontWeight={600} fill="var(--color-pencil)">
              {number}
            </text>
          </g>
        );
      })}
    </g>
  );
}

/** Words in an area, along its longer side; nothing where there is no room for them. */
function AreaWords({
  words: long,
  short = long,
  x,
  y,
  width,
  height,
}: {
  words: string;
  /** Said where there is no room for all. */
  short?: string;
  x: number;
  y: number;
  width: number;
  height: number;
}) {
  const words = Math.max(width, height) < long.length * 5.6 ? short : long;
  const takes = words.length * 5.6;
  const upright = width < takes;
  if ((upright && height < takes) || Math.min(width, height) < 14) return null;
  const [cx, cy] = [x + width / 2, y + height / 2];
  return (
    <text
      x={cx}
      y={cy + 4}
      textAnchor="middle"
      fontSize={12}
      fill="var(--color-ink-soft)"
      {...(upright ? { transform: `rotate(-90 ${cx} ${cy})` } : {})}
    >
      {words}
    </text>
  );
}
