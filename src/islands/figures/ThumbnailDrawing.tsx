import type { Picture } from '../../core/present/index.js';
import { TINT_FILL } from './tints.js';

const WEIGHT = { outline: 1.4, visible: 0.8, hidden: 0.6, centre: 0.6, swing: 0.6 } as const;

/** A drawing small. `scale` is sheet units per mm, the same for all that stand side by side. */
export function ThumbnailDrawing({
  thumbnail,
  scale,
  cropped = false,
}: {
  thumbnail: Picture;
  scale: number;
  cropped?: boolean;
}) {
  return (
    <svg
      width={thumbnail.width * scale}
      height={thumbnail.height * scale}
      viewBox={`0 0 ${thumbnail.width} ${thumbnail.height}`}
      className={`block ${cropped ? 'overflow-hidden' : 'overflow-visible'}`}
      aria-hidden="true"
    >
      {thumbnail.shapes.map((shape, at) => (
        <path
          key={at}
          d={shape.path}
          fill={TINT_FILL[shape.tint]}
          stroke="var(--color-ink)"
          strokeWidth={WEIGHT[shape.weight]}
          strokeDasharray={shape.weight === 'hidden' || shape.weight === 'swing' ? '4 3' : undefined}
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </svg>
  );
}
