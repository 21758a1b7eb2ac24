import { useCallback, useMemo, useRef, useState } from 'react';
import {
  type Drawing,
  drawElevation,
  drawPlan,
  drawSection,
  inLayers,
  layProjection,
  planLevels,
  type ViewOf,
} from '../../../core/drawing/index.js';
import type { SolvedCabinet } from '../../../core/solve.js';
import { drawnLengthWidth } from '../../figures/DrawnLength.js';
import { useBench } from '../context.js';
import { besideOf } from '../store.js';
import { captionWidth, DimensionEntry, FIGURE_SIZE, TEXT_HEIGHT } from './DrawingDimensions.js';
import { Hatch, TITLE_HEIGHT, TitleStrip, UNITS_PER_MM, useSize, ViewLayer } from './DrawingSheet.js';

const NAMES = { front: 'Front', section: 'section', plan: 'plan' } as const satisfies Record<ViewOf, string>;

/** Front, section and plan of the cabinet in line with one another, each of which can be brought forward. */
export function ProjectionSheet({ solved, savedAt }: { solved: SolvedCabinet; savedAt: string }) {
  const job = useBench((state) => state.job);
  const all = useBench((state) => state.solved);
  const show = useBench((state) => state.show);
  const select = useBench((state) => state.select);
  const openTape = useBench((state) => state.openTape);
  const [editing, setEditing] = useState<string | null>(null);
  const frame = useRef<HTMLDivElement>(null);
  const size = useSize(frame);
  const style = job.display;
  const draw = useCallback(
    (each: SolvedCabinet, id: ViewOf): Drawing | undefined => {
      if (id === 'front') return drawElevation(each, job.name, besideOf(job, all, each.cabinet.id));
      if (id === 'section') return drawSection(each, job.name);
      const [level] = planLevels(each);
      return level && drawPlan(each, job.name, level.at, { shut: true });
    },
    [job, all],
  );
  const layers = useBench((state) => state.layers);
  const laid = useMemo(() => {
    const seen = (id: ViewOf) => {
      const whole = draw(solved, id);
      return whole && inLayers(whole, layers);
    };
    const plan = seen('plan');
    return layProjection(
      {
        front: seen('front') as Drawing,
        section: seen('section') as Drawing,
        ...(plan ? { plan } : {}),
      },
      {
        width: size.width,
        height: size.height - TITLE_HEIGHT,
        unitsPerMm: UNITS_PER_MM,
        textHeight: TEXT_HEIGHT[style.unit],
      },
      (item) => Math.max(24, drawnLengthWidth(item.dim.mm, style, FIGURE_SIZE) + 6) + captionWidth(item.caption),
    );
  }, [draw, solved, size, style, layers]);
  const [first] = laid.views;
  const edited = laid.views.flatMap((view) => view.laid.dimensions).find(({ item }) => item.id === editing);
  if (!first) return null;
  const shown = laid.views.map(({ id }) => NAMES[id]);
  const title = {
    ...first.drawing,
    title: { ...first.drawing.title, view: shown.join(', ').replace(/, ([^,]*)$/, ' and $1') },
  };
  return (
    <div ref={frame} className="relative min-h-0 overflow-hidden">
      {/* biome-ignore lint/a11y/useKeyWithClickEvents: Escape on the page lets the selection go as well */}
      <svg
        role="group"
        aria-label={`${title.title.view} of ${title.title.cabinet}`}
        width={size.width}
        height={size.height}
        className="absolute inset-0 select-none"
        onClick={() => select(null)}
      >
        <Hatch />
        {laid.views.map((view) => (
          // biome-ignore lint/a11y/noStaticElementInteractions: the tabs and their keys bring a view forward as well
          <g key={view.id} data-view={view.id} onDoubleClick={() => show(view.id)}>
            <ViewLayer
              solved={solved}
              drawing={view.drawing}
              laid={view.laid}
              editing={editing}
              onOpen={(item) => {
                openTape((each) => draw(each, view.id)?.dimensions.find((other) => other.id === item.id)?.dim);
                if (item.edits) setEditing(item.id);
              }}
            />
          </g>
        ))}
        <TitleStrip
          drawing={title}
          laid={first.laid}
          width={size.width}
          height={size.height}
          unit={style.unit}
          savedAt={savedAt}
        />
      </svg>
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
