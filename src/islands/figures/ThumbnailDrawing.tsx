import type { Thumbnail } from '../../core/drawing/index.js';

const FILL = {
  case: 'var(--color-timber-case)',
  front: 'var(--color-timber-front)',
  back: 'var(--color-timber-back)',
  plinth: 'var(--color-timber-plinth)',
  shelf: 'var(--color-timber-shelf)',
  void: 'none',
} as const;

/** A cabinet small. `scale` is sheet units per mm, the same for all that stand side by side. */
export function ThumbnailDrawing({ thumbnail, scale }: { thumbnail: Thumbnail; scale: number }) {
  return (
    <svg
      width={thumbnail.width * scale}
      height={thumbnail.height * scale}
      viewBox={`0 0 ${thumbnail.width} ${thumbnail.height}`}
      className="block overflow-visible"
      aria-hidden="true"
    >
      {thumbnail.shapes.map((shape, at) => (
        <path
          key={at}
          d={shape.path}
          fill={FILL[shape.tint]}
          stroke="var(--color-ink)"
          strokeWidth={shape.tint === 'front' ? 1.1 : 0.6}
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </svg>
  );
}
