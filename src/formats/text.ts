import { formatLength, type LengthStyle } from '../core/ground/index.js';
import { bandedEdges, machiningSummary } from '../core/present/index.js';
import { cutListOf, type SolvedJob } from '../core/solve/index.js';

/** The cut list as plain text in columns, for a terminal or a printer that knows nothing else. */
export function cutListText(solved: SolvedJob, style: LengthStyle): string {
  const show = (mm: number) => formatLength(mm, style);
  const blocks = cutListOf(solved).map((group) => {
    const rows = group.rows.map(({ mark, part, quantity }) => [
      mark,
      part.name,
      `${quantity}`,
      show(part.cutLength.value),
      show(part.cutWidth.value),
      bandedEdges(part),
      machiningSummary(part, show),
    ]);
    const head = ['mark', 'name', 'qty', 'length', 'width', 'bands', 'machining'];
    const { area, band, weight } = group.totals;
    return [
      `${group.material.name}, ${show(group.thickness)} ${style.unit} thick`,
      ...columns([head, ...rows]),
      `${area.toFixed(2)} m², ${band.toFixed(1)} m of band, ${weight.toFixed(1)} kg`,
    ].join('\n');
  });
  return `${solved.job.name}: cut list in ${style.unit === 'mm' ? 'millimetres' : 'inches'}\n\n${blocks.join('\n\n')}\n`;
}

const RIGHT_ALIGNED = new Set([2, 3, 4]);

function columns(rows: readonly (readonly string[])[]): string[] {
  const widths = (rows[0] ?? []).map((_, at) => Math.max(...rows.map((row) => (row[at] ?? '').length)));
  return rows.map((row) =>
    row
      .map((text, at) => (RIGHT_ALIGNED.has(at) ? text.padStart(widths[at] ?? 0) : text.padEnd(widths[at] ?? 0)))
      .join('  ')
      .trimEnd(),
  );
}
