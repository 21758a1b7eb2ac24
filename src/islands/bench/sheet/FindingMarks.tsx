import type { Finding, Severity } from '../../../core/cabinet/index.js';
import { spotOn } from '../../../core/part/index.js';
import { type Drawing, type DrawingPoint, type LaidSheet, onSheet } from '../../../core/present/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { useBench } from '../context.js';
import { useFindings } from '../found.js';
import { SEVERITY_WORD, showFinding } from '../inspector/FindingsPanel.js';

/** Findings where they arise: a mark on each part they concern, by its shape a stop, a warning or a note. */
export function FindingMarks({ solved, drawing, laid }: { solved: SolvedCabinet; drawing: Drawing; laid: LaidSheet }) {
  const { findings, looking } = useFindings(solved);
  const select = useBench((state) => state.select);
  const taken: { x: number; y: number }[] = [];
  return (
    <g opacity={looking ? 0.45 : 1}>
      {findings.map((finding) => {
        const place = placeOf(finding, solved, drawing);
        if (!place) return null;
        const { x, y } = clearOf(taken, onSheet(laid, place));
        taken.push({ x, y });
        const go = () => {
          const [part] = finding.parts;
          if (part) select(part);
          showFinding(finding);
        };
        return (
          <g
            key={finding.id}
            role="button"
            tabIndex={0}
            aria-label={`${SEVERITY_WORD[finding.severity]}: ${finding.what}`}
            data-finding-mark={finding.rule}
            className="cursor-pointer"
            onClick={(event) => {
              event.stopPropagation();
              go();
            }}
            onKeyDown={(event) => {
              if (event.key !== 'Enter' && event.key !== ' ') return;
              event.preventDefault();
              go();
            }}
          >
            <title>{finding.what}</title>
            <Shape severity={finding.severity} x={x} y={y} />
          </g>
        );
      })}
    </g>
  );
}

/** On the part itself, at the very place where that is known; nowhere when the drawing does not show it. */
function placeOf({ parts, at }: Finding, solved: SolvedCabinet, drawing: Drawing): DrawingPoint | undefined {
  const shown = drawing.items.flatMap((item) => {
    if (item.shows === undefined || !parts.includes(item.shows)) return [];
    if (item.kind === 'region') return [[item.from, item.to]];
    return item.kind === 'shape' ? [item.points] : [];
  })[0];
  if (!shown) return undefined;
  const part = solved.parts.find(({ key }) => parts.includes(key));
  if (at && part && drawing.spots) return spotOn(drawing.spots, part, at);
  const h = shown.map((point) => point.h);
  const v = shown.map((point) => point.v);
  const [left, right, low, high] = [Math.min(...h), Math.max(...h), Math.min(...v), Math.max(...v)];
  return { h: right - Math.min(60, (right - left) / 2), v: high - Math.min(60, (high - low) / 2) };
}

/** Two marks never lie on each other: the later one moves down. */
function clearOf(taken: readonly { x: number; y: number }[], place: { x: number; y: number }) {
  let { x, y } = place;
  while (taken.some((other) => Math.abs(other.x - x) < SIZE * 2 && Math.abs(other.y - y) < SIZE * 2)) y += SIZE * 2 + 2;
  return { x, y };
}

/** Half of a mark (px). */
const SIZE = 10;

/** An eight-sided stop, a three-sided warning, a round note, each with its sign. */
function Shape({ severity, x, y }: { severity: Severity; x: number; y: number }) {
  const ink = severity === 'note' ? 'var(--color-ink)' : 'var(--color-finding)';
  const ring = (sides: number, turn: number) =>
    Array.from({ length: sides }, (_, at) => {
      const angle = ((at + turn) / sides) * 2 * Math.PI;
      return `${x + SIZE * Math.sin(angle)},${y - SIZE * Math.cos(angle)}`;
    }).join(' ');
  const filled = severity === 'stop';
  return (
    <>
      {severity === 'note' ? (
        <circle cx={x} cy={y} r={SIZE - 1} fill="var(--color-sheet)" stroke={ink} strokeWidth={1.6} />
      ) : (
        <polygon
          points={severity === 'stop' ? ring(8, 0.5) : ring(3, 0)}
          fill={filled ? ink : 'var(--color-sheet)'}
          stroke={ink}
          strokeWidth={1.8}
          strokeLinejoin="round"
        />
      )}
      <text
        x={x}
        y={y + (severity === 'warn' ? 6 : 5)}
        textAnchor="middle"
        fontSize={14}
        fontWeight={700}
        fill={filled ? 'var(--color-sheet)' : ink}
      >
        {severity === 'note' ? '?' : '!'}
      </text>
    </>
  );
}
