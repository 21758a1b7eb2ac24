import type { LayoutSheet } from '../../../core/decisions/index.js';
import { formatLength, type LengthStyle } from '../../../core/ground/index.js';
import type { SawCut, Sequence } from '../../../core/shop/index.js';

/** The cuts of a sheet in order: what is set, what comes off, and what waits. */
export function CutsTable({
  sequence,
  sheet,
  style,
  title,
  markOf,
  nameOf,
}: {
  sequence: Sequence;
  sheet: LayoutSheet;
  style: LengthStyle;
  /** What the list belongs to, said again on every page it runs on to. */
  title: string;
  markOf: (at: number) => string;
  nameOf: (at: number) => string;
}) {
  const show = (mm: number) => formatLength(mm, style);
  const freed = ({ frees }: SawCut): string => {
    if (frees.kind === 'piece' || frees.kind === 'untrimmed') {
      const at = sheet.placements.indexOf(frees.piece);
      return `${markOf(at)} ${nameOf(at)}${frees.kind === 'untrimmed' ? ', still to be trimmed' : ''}`;
    }
    const size = `${show(Math.max(0, frees.rect.length))} × ${show(Math.max(0, frees.rect.width))}`;
    if (frees.kind === 'strip') return `strip ${frees.name}, ${size}`;
    return frees.kind === 'offcut' ? `offcut, ${size}: keep it` : 'waste';
  };
  return (
    <table className="mt-2 w-full text-left">
      <thead>
        <tr className="hidden print:table-row">
          <th colSpan={5} className="px-1 pt-2 text-left">
            {title}, cuts in order
          </th>
        </tr>
        <tr className="border-b border-rule text-ink-soft">
          <th className="w-12 px-1 font-normal">Cut</th>
          <th className="w-56 px-1 font-normal print:w-36">How</th>
          <th className="w-28 px-1 text-right font-normal print:w-24">Fence or stop</th>
          <th className="px-3 font-normal">Comes off</th>
          <th className="px-1 font-normal">Waits</th>
        </tr>
      </thead>
      <tbody>
        {sequence.cuts.map((cut) => (
          <tr key={cut.number} className="border-b border-sheet-edge print:break-inside-avoid">
            <td className="px-1 font-semibold">{cut.number}</td>
            <td className="px-1">{howOf(cut)}</td>
            <td className="px-1 text-right text-[1.0625rem] font-semibold">
              {cut.kind === 'trim' ? '' : show(cut.fence)}
            </td>
            <td className="px-3">{freed(cut)}</td>
            <td className="px-1 text-ink-soft">{cut.waits.map((name) => `strip ${name}`).join(', ')}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function howOf({ way, kind }: SawCut): string {
  const along = way === 'rip';
  if (kind === 'trim') return along ? 'trim a long edge straight' : 'square one end';
  if (kind === 'rough') return along ? 'rip oversize, circular saw' : 'crosscut oversize, circular saw';
  return along ? 'rip' : 'crosscut';
}
