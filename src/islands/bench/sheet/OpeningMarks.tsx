import { type PointerEvent, useState } from 'react';
import { faceOf } from '../../../core/commands/index.js';
import { type LaidSheet, onSheet } from '../../../core/present/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { type Dragged, useDrag } from '../../fields/drag.js';
import { chosenOpenings, useOpeningAct } from '../chosen.js';
import { useBench } from '../context.js';

/** What can be pressed along an edge of an opening to divide it (px). */
const EDGE = 12;
/** So much further the pointer is dragged for one more (px). */
const ONE_MORE = 26;

/** The chosen openings, outlined; along the edges of the one that is selected it can be divided. */
export function OpeningMarks({ solved, laid }: { solved: SolvedCabinet; laid: LaidSheet }) {
  const selected = useBench((state) => state.selected);
  const also = useBench((state) => state.also);
  const ids = chosenOpenings({ selected, also }, solved);
  return (
    <g>
      {ids.map((id) => {
        const box = boxOf(solved, laid, id);
        return (
          box && (
            <rect
              key={id}
              data-chosen={id}
              {...box}
              fill="none"
              stroke="var(--color-pencil)"
              strokeWidth={1.6}
              strokeDasharray="7 4"
              className="pointer-events-none"
            />
          )
        );
      })}
      {ids.length === 1 && ids[0] !== undefined && <DivideEdges solved={solved} laid={laid} id={ids[0]} />}
    </g>
  );
}

function boxOf(solved: SolvedCabinet, laid: LaidSheet, id: string) {
  const face = faceOf(solved, id);
  if (!face) return undefined;
  const a = onSheet(laid, { h: face.h.low.value, v: face.v.high.value });
  const b = onSheet(laid, { h: face.h.high.value, v: face.v.low.value });
  return { x: a.x, y: a.y, width: Math.max(0, b.x - a.x), height: Math.max(0, b.y - a.y) };
}

/** Hover along the left edge or the upper one shows where it would divide; press divides, drag makes several equal. */
function DivideEdges({ solved, laid, id }: { solved: SolvedCabinet; laid: LaidSheet; id: string }) {
  const box = boxOf(solved, laid, id);
  const act = useOpeningAct();
  const [shown, setShown] = useState<{ axis: 'rows' | 'columns'; count: number } | null>(null);
  const countAt = ({ dx, dy }: Dragged) => Math.min(12, 2 + Math.floor(Math.hypot(dx, dy) / ONE_MORE));
  const drag = useDrag<'rows' | 'columns'>({
    moved: (axis, by) => setShown({ axis, count: countAt(by) }),
    dropped: (axis, by) => act({ divide: axis, in: countAt(by) }),
    pressed: (axis) => act({ divide: axis, in: 2 }),
    ended: () => setShown(null),
  });
  if (!box || Math.min(box.width, box.height) < 3 * EDGE) return null;
  const edge = (axis: 'rows' | 'columns') => ({
    ...drag(axis),
    onPointerEnter: () => setShown((now) => now ?? { axis, count: 2 }),
    onPointerLeave: (event: PointerEvent<SVGRectElement>) => {
      if (!event.currentTarget.hasPointerCapture(event.pointerId)) setShown(null);
    },
    onClick: (event: { stopPropagation(): void }) => event.stopPropagation(),
  });
  const rows = shown?.axis === 'rows';
  return (
    <g data-line="divide">
      {shown && (
        <g className="pointer-events-none" stroke="var(--color-pencil)" strokeWidth={1.8} strokeDasharray="5 3">
          {Array.from({ length: shown.count - 1 }, (_, at) => {
            const share = (at + 1) / shown.count;
            const [x, y] = [box.x + box.width * share, box.y + box.height * share];
            return rows ? (
              <line key={at} x1={box.x} x2={box.x + box.width} y1={y} y2={y} />
            ) : (
              <line key={at} x1={x} x2={x} y1={box.y} y2={box.y + box.height} />
            );
          })}
          <text
            x={box.x + box.width / 2}
            y={box.y + Math.min(box.height / 2, 40)}
            textAnchor="middle"
            fontSize={15}
            fontWeight={600}
            fill="var(--color-pencil)"
            stroke="var(--color-sheet)"
            strokeWidth={4}
            strokeDasharray="none"
            paintOrder="stroke"
          >
            {shown.count} {rows ? 'rows' : 'columns'}
          </text>
        </g>
      )}
      <rect
        data-divide="rows"
        x={box.x}
        y={box.y + EDGE}
        width={EDGE}
        height={box.height - 2 * EDGE}
        fill="transparent"
        className="cursor-copy touch-none hover:fill-pencil/15"
        {...edge('rows')}
      />
      <rect
        data-divide="columns"
        x={box.x + EDGE}
        y={box.y}
        width={box.width - 2 * EDGE}
        height={EDGE}
        fill="transparent"
        className="cursor-copy touch-none hover:fill-pencil/15"
        {...edge('columns')}
      />
    </g>
  );
}
