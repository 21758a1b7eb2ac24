import { Box, X } from 'lucide-react';
import { lazy, Suspense } from 'react';
import type { LaidProjection } from '../../../core/present/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { useBench } from '../context.js';

const Picture = lazy(() => import('../picture/Picture.js'));

/** The fourth corner of the sheet: the picture, once it has been asked for. */
export function PictureCorner({
  corner: { x, y, width, height },
  solved,
}: {
  corner: NonNullable<LaidProjection['corner']>;
  solved: SolvedCabinet;
}) {
  const shown = useBench((state) => state.cornerShown);
  const showCorner = useBench((state) => state.showCorner);
  const show = useBench((state) => state.show);
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: its tab and its key bring the picture forward as well
    <div className="absolute grid" style={{ left: x, top: y, width, height }} onDoubleClick={() => show('picture')}>
      {shown ? (
        <>
          <Suspense fallback={null}>
            <Picture solved={solved} bare />
          </Suspense>
          <button
            type="button"
            className="act act-bare absolute top-0 right-0 opacity-60 hover:opacity-100 focus-visible:opacity-100"
            aria-label="Put the picture away"
            title="Put the picture away (v)"
            onClick={() => showCorner(false)}
          >
            <X size={15} aria-hidden="true" />
          </button>
        </>
      ) : (
        <button type="button" className="act act-bare m-auto text-ink-soft" onClick={() => showCorner(true)}>
          <Box size={16} aria-hidden="true" /> Picture here (v)
        </button>
      )}
    </div>
  );
}
