import { Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { formatLength, type LengthStyle } from '../../../core/ground/index.js';
import { type Label, type LabelSheet, labelSheets, labelsOf } from '../../../core/shop/index.js';
import { codeOf } from '../../../formats/codes.js';
import { useCutting } from '../context.js';

/** On the screen pages of labels are drawn this much smaller. */
const PREVIEW = 0.62;

/** A label for every piece, on label sheets of common sizes, as they are printed. */
export function LabelsView() {
  const { job, cabinets } = useCutting();
  const labels = useMemo(() => labelsOf(job, cabinets), [job, cabinets]);
  const [size, setSize] = useState(job.display.unit === 'in' ? 'letter-10' : 'a4-14');
  const [cabinet, setCabinet] = useState('all');
  const [skipped, setSkipped] = useState(0);
  const sheet = labelSheets[size] as LabelSheet;
  const chosen = cabinet === 'all' ? labels : labels.filter((label) => label.cabinet === cabinet);
  const places: (Label | null)[] = [...Array.from({ length: skipped }, () => null), ...chosen];
  const perPage = sheet.across * sheet.down;
  const pages = Array.from({ length: Math.ceil(places.length / perPage) }, (_, at) =>
    places.slice(at * perPage, (at + 1) * perPage),
  );
  return (
    <>
      <style>{`@page { size: ${sheet.page[0]}mm ${sheet.page[1]}mm; margin: 0 }`}</style>
      <div className="sheet sticky top-0 z-10 flex flex-wrap items-center gap-x-5 gap-y-2 px-4 py-2 print:hidden">
        <h1 className="text-[1.0625rem] font-bold" data-labels={chosen.length}>
          {chosen.length} labels, {pages.length} {pages.length === 1 ? 'page' : 'pages'}
        </h1>
        <label className="flex items-center gap-2">
          on
          <select className="entry font-semibold" value={size} onChange={(event) => setSize(event.currentTarget.value)}>
            {Object.entries(labelSheets).map(([id, { name }]) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-2">
          of
          <select className="entry" value={cabinet} onChange={(event) => setCabinet(event.currentTarget.value)}>
            <option value="all">all cabinets</option>
            {[...new Set(labels.map((label) => label.cabinet))].map((name) => (
              <option key={name} value={name}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-2">
          first
          <input
            type="number"
            className="entry w-14 text-right"
            min={0}
            max={perPage - 1}
            value={skipped}
            onChange={({ currentTarget: { valueAsNumber } }) =>
              setSkipped(
                Number.isFinite(valueAsNumber) ? Math.max(0, Math.min(perPage - 1, Math.round(valueAsNumber))) : 0,
              )
            }
          />
          used already
        </label>
        <button type="button" className="act act-main ml-auto" onClick={() => window.print()}>
          <Printer size={15} aria-hidden="true" /> Print true to size
        </button>
      </div>
      <p className="px-1 print:hidden">
        Print at 100 %, without fitting to the page. The bar on the first page is 100 mm long: measure it on plain paper
        before a sheet of labels goes in.
      </p>
      <div className="flex flex-wrap gap-4 print:block">
        <Page sheet={sheet} name="Check page">
          <CheckPage sheet={sheet} />
        </Page>
        {pages.map((page, at) => (
          <Page key={at} sheet={sheet} name={`Page ${at + 1} of labels`}>
            {page.map(
              (label, place) =>
                label && <OneLabel key={label.id} label={label} sheet={sheet} place={place} style={job.display} />,
            )}
          </Page>
        ))}
      </div>
    </>
  );
}

/** A page as large as it is printed; on the screen it is drawn smaller. */
function Page({ sheet: { page }, name, children }: { sheet: LabelSheet; name: string; children: React.ReactNode }) {
  const [width, height] = page;
  return (
    <div
      role="img"
      aria-label={name}
      data-page=""
      className="overflow-hidden bg-white text-black shadow-[0_0_0_1px_var(--color-sheet-edge)] [height:calc(var(--h)*var(--s))] [width:calc(var(--w)*var(--s))] print:h-(--h) print:w-(--w) print:break-after-page print:shadow-none"
      style={{ '--w': `${width}mm`, '--h': `${height}mm`, '--s': PREVIEW } as React.CSSProperties}
    >
      <div className="relative origin-top-left scale-(--s) [height:var(--h)] [width:var(--w)] print:scale-100">
        {children}
      </div>
    </div>
  );
}

/** A bar of 100 mm, and the outlines of the labels to hold a printed page against a sheet of them. */
function CheckPage({ sheet }: { sheet: LabelSheet }) {
  const { page, across, down, label, first, step } = sheet;
  return (
    <svg width={`${page[0]}mm`} height={`${page[1]}mm`} viewBox={`0 0 ${page[0]} ${page[1]}`} aria-hidden="true">
      {Array.from({ length: across * down }, (_, at) => (
        <rect
          key={at}
          x={first[0] + (at % across) * step[0]}
          y={first[1] + Math.floor(at / across) * step[1]}
          width={label[0]}
          height={label[1]}
          fill="none"
          stroke="#999"
          strokeWidth={0.2}
        />
      ))}
      <g data-check-bar="100">
        <rect
          x={page[0] / 2 - 58}
          y={page[1] / 2 - 14}
          width={116}
          height={28}
          fill="white"
          stroke="black"
          strokeWidth={0.3}
        />
        <path
          d={`M ${page[0] / 2 - 50} ${page[1] / 2 - 3} v 6 m 0 -3 h 100 m 0 -3 v 6`}
          fill="none"
          stroke="black"
          strokeWidth={0.5}
        />
        <text x={page[0] / 2} y={page[1] / 2 - 6} fontSize={4.5} textAnchor="middle">
          100 mm between the ends
        </text>
        <text x={page[0] / 2} y={page[1] / 2 + 9} fontSize={3.6} textAnchor="middle">
          Else print again at 100 %, and hold this page against the labels.
        </text>
      </g>
    </svg>
  );
}

function OneLabel({
  label,
  sheet: { across, label: size, first, step },
  place,
  style,
}: {
  label: Label;
  sheet: LabelSheet;
  place: number;
  style: LengthStyle;
}) {
  const [width, height] = size;
  const code = Math.min(height - 8, 17);
  const src = useMemo(() => `data:image/svg+xml;utf8,${encodeURIComponent(codeOf(label.code))}`, [label.code]);
  const low = height < 32;
  return (
    <div
      data-label={label.mark}
      className="absolute flex overflow-hidden leading-[1.12]"
      style={{
        left: `${first[0] + (place % across) * step[0]}mm`,
        top: `${first[1] + Math.floor(place / across) * step[1]}mm`,
        width: `${width}mm`,
        height: `${height}mm`,
        padding: '2.5mm 3mm',
        gap: '2.5mm',
      }}
    >
      <div
        className="flex min-w-0 flex-1 flex-col"
        style={{ fontSize: low ? '2.9mm' : height > 45 ? '4.6mm' : '3.9mm' }}
      >
        <span className="font-bold" style={{ fontSize: low ? '5.4mm' : height > 45 ? '11mm' : '8.4mm' }}>
          {label.mark}
        </span>
        <span className="truncate font-semibold">{label.name}</span>
        <span className="truncate">{label.cabinet}</span>
        <span className="font-semibold">
          {formatLength(label.length, style)} × {formatLength(label.width, style)} ×{' '}
          {formatLength(label.thickness, style)}
        </span>
        {!low && (
          <span className="truncate">
            {label.material}; {label.show} shows
          </span>
        )}
        {!low && height > 45 && label.sheet && <span className="truncate">{label.sheet}</span>}
      </div>
      <div className="flex flex-col items-center justify-between" style={{ width: `${code + 4}mm` }}>
        <img src={src} alt="" style={{ width: `${code}mm`, height: `${code}mm` }} />
        {!low && <EdgesMark label={label} />}
      </div>
    </div>
  );
}

/** The part as a small rectangle: banded edges heavy, an arrow at the edge that is the front. */
function EdgesMark({ label: { length, width, banded, arrow } }: { label: Label }) {
  const wide = 18;
  const high = Math.max(5, Math.min(9, (wide * width) / Math.max(length, 1)));
  const edges = {
    u0: [1, 1, 1, 1 + high],
    u1: [1 + wide, 1, 1 + wide, 1 + high],
    v0: [1, 1 + high, 1 + wide, 1 + high],
    v1: [1, 1, 1 + wide, 1],
  } as const;
  const middle = [1 + wide / 2, 1 + high / 2] as const;
  const towards = { u0: [-5, 0], u1: [5, 0], v0: [0, high / 2 - 1], v1: [0, 1 - high / 2] } as const;
  const to = arrow && towards[arrow.edge];
  return (
    <span className="flex flex-col items-center" style={{ fontSize: '2.6mm' }}>
      <svg width={`${wide + 2}mm`} height={`${high + 2}mm`} viewBox={`0 0 ${wide + 2} ${high + 2}`} aria-hidden="true">
        <rect x={1} y={1} width={wide} height={high} fill="none" stroke="black" strokeWidth={0.2} />
        {banded.map((edge) => {
          const [x1, y1, x2, y2] = edges[edge];
          return <line key={edge} x1={x1} y1={y1} x2={x2} y2={y2} stroke="black" strokeWidth={1} />;
        })}
        {to && (
          <>
            <line
              x1={middle[0] - to[0]}
              y1={middle[1] - to[1]}
              x2={middle[0] + to[0]}
              y2={middle[1] + to[1]}
              stroke="black"
              strokeWidth={0.4}
            />
            <path d={headOf(middle[0] + to[0], middle[1] + to[1], to)} fill="black" />
          </>
        )}
      </svg>
      {arrow && <span>{arrow.says}</span>}
    </span>
  );
}

/** The head of an arrow at a point, turned the way it points. */
function headOf(x: number, y: number, [dx, dy]: readonly [number, number]): string {
  const long = Math.hypot(dx, dy) || 1;
  const [ux, uy] = [dx / long, dy / long];
  const back = [x - ux * 2.2, y - uy * 2.2] as const;
  return `M ${x} ${y} L ${back[0] - uy * 1.1} ${back[1] + ux * 1.1} L ${back[0] + uy * 1.1} ${back[1] - ux * 1.1} Z`;
}
