import type { Colour, Mark, Stroke } from '../../core/present/index.js';
import { TINT_FILL } from './tints.js';

const COLOUR: Readonly<Record<Colour, string>> = {
  ...TINT_FILL,
  ink: 'var(--color-ink)',
  'ink soft': 'var(--color-ink-soft)',
  graphite: 'var(--color-graphite)',
  pencil: 'var(--color-pencil)',
  'pencil pale': 'var(--color-pencil-pale)',
  sheet: 'var(--color-sheet)',
  'as it stands': 'currentColor',
};

/** Marks of a drawing on a screen, in their order. */
export function Marks({ marks }: { marks: readonly Mark[] }) {
  return marks.map((mark, at) => <OneMark key={at} mark={mark} />);
}

const filled = ({ fill, fillSeen }: { readonly fill?: Colour; readonly fillSeen?: number }) => ({
  fill: fill ? COLOUR[fill] : 'none',
  ...(fillSeen === undefined ? {} : { fillOpacity: fillSeen }),
});

const penned = (stroke: Stroke | undefined) =>
  stroke && {
    stroke: COLOUR[stroke.colour],
    strokeWidth: stroke.width,
    ...(stroke.dashes ? { strokeDasharray: stroke.dashes.join(' ') } : {}),
    ...(stroke.seen === undefined ? {} : { strokeOpacity: stroke.seen }),
    ...(stroke.round ? { strokeLinecap: 'round' as const } : {}),
  };

function OneMark({ mark }: { mark: Mark }) {
  switch (mark.kind) {
    case 'rect': {
      const { x, y, width, height, radius } = mark;
      const place = { x, y, width, height, ...(radius === undefined ? {} : { rx: radius }) };
      return (
        <>
          <rect {...place} {...filled(mark)} {...penned(mark.stroke)} />
          {mark.hatched && <rect {...place} fill="url(#hatch)" className="pointer-events-none" />}
        </>
      );
    }
    case 'circle':
      return <circle cx={mark.x} cy={mark.y} r={mark.radius} {...filled(mark)} {...penned(mark.stroke)} />;
    case 'line': {
      const points = mark.points.map(({ x, y }) => `${x},${y}`).join(' ');
      const look = { points, ...filled(mark), ...penned(mark.stroke) };
      return mark.closed ? <polygon {...look} /> : <polyline {...look} />;
    }
    case 'text':
      return (
        <text
          x={mark.x}
          y={mark.y}
          fontSize={mark.size}
          fill={COLOUR[mark.fill]}
          {...(mark.weight === undefined ? {} : { fontWeight: mark.weight })}
          {...(mark.middle ? { textAnchor: 'middle' } : {})}
        >
          {mark.text}
        </text>
      );
  }
}

/** End grain on a drawing; once on every page that draws. */
export function Hatch() {
  return (
    <defs>
      <pattern id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="6" stroke="var(--color-ink)" strokeOpacity="0.35" strokeWidth="1" />
      </pattern>
    </defs>
  );
}
