import type { FreeRoom, PackedSheet, PackProblem } from '../../core/sheets/index.js';
import { formatLength, type LengthStyle } from '../../core/units/index.js';

/** A sheet to scale with its pieces, their marks and sizes, and what is left of it in one piece. */
export function SheetDrawing({
  sheet,
  free,
  problem,
  width,
  style,
  selected,
  name,
  onSelect,
}: {
  sheet: PackedSheet;
  /** The largest room that is left of it, where that is known. */
  free: FreeRoom | undefined;
  problem: PackProblem;
  /** So wide it is drawn (px). */
  width: number;
  style: LengthStyle;
  selected: string | null;
  name: string;
  onSelect: (mark: string) => void;
}) {
  const { length, width: across, trim } = problem.sheet;
  const scale = width / length;
  // Drawn with the lower edge of the sheet below.
  const box = (x: number, y: number, l: number, w: number) => ({
    x: x * scale,
    y: (across - y - w) * scale,
    width: l * scale,
    height: w * scale,
  });
  return (
    <svg role="group" aria-label={name} width={width} height={across * scale} className="block overflow-visible">
      <rect {...box(0, 0, length, across)} fill="var(--color-sheet)" stroke="var(--color-ink)" strokeWidth={1.4} />
      <rect
        {...box(trim, trim, length - 2 * trim, across - 2 * trim)}
        fill="none"
        stroke="var(--color-rule)"
        strokeDasharray="3 3"
        strokeWidth={0.7}
      />
      {free && Math.min(free.length, free.width) * scale > 14 && (
        <g data-free="">
          <rect {...box(free.x, free.y, free.length, free.width)} fill="var(--color-bench)" fillOpacity={0.35} />
          <FreeWords
            words={`${formatLength(free.length, style)} × ${formatLength(free.width, style)} left`}
            {...box(free.x, free.y, free.length, free.width)}
          />
        </g>
      )}
      {sheet.placements.map(({ id, x, y, length: l, width: w }, at) => {
        const shape = box(x, y, l, w);
        const lit = id === selected;
        const wide = shape.width > 34 && shape.height > 13;
        return (
          <g key={at}>
            <g
              role="button"
              tabIndex={0}
              data-piece={id}
              aria-label={`${id}, ${formatLength(l, style)} by ${formatLength(w, style)}`}
              aria-pressed={lit}
              className="cursor-pointer outline-none focus-visible:stroke-pencil"
              onClick={() => onSelect(id)}
              onKeyDown={(event) => {
                if (event.key !== 'Enter' && event.key !== ' ') return;
                event.preventDefault();
                onSelect(id);
              }}
            >
              <rect
                {...shape}
                fill={lit ? 'var(--color-pencil-pale)' : 'var(--color-timber-case)'}
                stroke={lit ? 'var(--color-pencil)' : 'var(--color-ink)'}
                strokeWidth={lit ? 2 : 0.9}
              />
            </g>
            {/* The figures stand beside the button, whose name says them in words. */}
            <g aria-hidden="true" className="pointer-events-none">
              {wide && (
                <text
                  x={shape.x + shape.width / 2}
                  y={shape.y + shape.height / 2 + (shape.height > 30 ? -1 : 4)}
                  textAnchor="middle"
                  fontSize={13}
                  fontWeight={600}
                  fill="var(--color-ink)"
                  className="pointer-events-none"
                >
                  {id}
                </text>
              )}
              {shape.width > 78 && shape.height > 30 && (
                <text
                  x={shape.x + shape.width / 2}
                  y={shape.y + shape.height / 2 + 13}
                  textAnchor="middle"
                  fontSize={11.5}
                  fill="var(--color-ink-soft)"
                  className="pointer-events-none"
                >
                  {formatLength(l, style)} × {formatLength(w, style)}
                </text>
              )}
            </g>
          </g>
        );
      })}
    </svg>
  );
}

/** What is left, along the longer side of it; nothing where there is no room for words. */
function FreeWords({
  words,
  x,
  y,
  width,
  height,
}: {
  words: string;
  x: number;
  y: number;
  width: number;
  height: number;
}) {
  const takes = words.length * 5.6;
  const upright = width < takes;
  if (upright && height < takes) return null;
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
