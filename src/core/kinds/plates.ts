import type { DrawingItem, Extent } from '../part/index.js';

/** Small things behind their fronts, drawn hidden on the elevation as the blocks they are. */
export function hiddenPlates(
  placed: readonly { readonly frontKey: string; readonly extent: Extent | undefined }[],
): DrawingItem[] {
  return placed.flatMap(({ extent, frontKey }) =>
    extent
      ? [
          {
            kind: 'hardware',
            symbol: 'plate',
            from: { h: extent.min[0], v: extent.min[2] },
            to: { h: extent.max[0], v: extent.max[2] },
            hidden: true,
            shows: frontKey,
          } as const,
        ]
      : [],
  );
}
