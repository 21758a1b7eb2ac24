import { lazy, Suspense } from 'react';
import type { View, ViewProps } from './view.js';

/** All that draws in the round is loaded when it is first looked at. */
const Picture = lazy(() => import('../../picture/Picture.js'));

function PictureSheet({ solved }: ViewProps) {
  return (
    <Suspense fallback={<p className="p-6 text-ink-soft">The picture is being set up.</p>}>
      <Picture solved={solved} />
    </Suspense>
  );
}

/** The cabinet in the round. */
export const picture: View<'picture'> = { id: 'picture', label: 'Picture', key: 'o', Sheet: PictureSheet };
