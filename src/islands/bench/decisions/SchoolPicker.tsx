import { pathTo } from '../../../core/decisions/index.js';
import { capital } from '../../../core/ground/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { Length } from '../../figures/Length.js';
import { useBench } from '../context.js';
import { useAnswer } from '../useAnswer.js';
import { Setting } from './SettingRow.js';

/** The choice of construction, with what each school makes of the same overall size. */
export function SchoolPicker({ solved }: { solved: SolvedCabinet }) {
  const job = useBench((state) => state.job);
  const act = useBench((state) => state.act);
  const { cabinet } = solved;
  const schools = useAnswer('schools', solved, { kind: 'schools' }) ?? [];
  const here = solved.resolved.settings.school.value;
  const decided = Object.keys(cabinet.settings).filter((key) => key !== 'school').length;
  return (
    <>
      <Setting path="school" solved={solved} />
      <p className="text-[0.9375rem] leading-snug">{schools.find(({ school }) => school === here)?.trade}</p>
      <table className="mt-1 w-full table-fixed border-collapse text-[0.875rem]">
        <caption className="caps pb-1 text-left">The same size in each</caption>
        <thead>
          <tr className="border-b border-ink text-right align-bottom">
            <th>
              <span className="sr-only">Size</span>
            </th>
            {schools.map(({ school, label }) => (
              <th key={school} className={`pl-1 leading-tight font-semibold ${school === here ? 'text-pencil' : ''}`}>
                {capital(label)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="text-right tabular-nums">
          <CompareRow
            name="Inside width"
            cells={schools.map(({ insideWidth }) => <Length key="l" mm={insideWidth} style={job.display} />)}
          />
          <CompareRow
            name="Opening"
            cells={schools.map(({ openingWidth }) => <Length key="l" mm={openingWidth} style={job.display} />)}
          />
          <CompareRow
            name="Left reveal"
            cells={schools.map(({ visibleReveal }) => <Length key="l" mm={visibleReveal} style={job.display} />)}
          />
          <CompareRow name="Parts" cells={schools.map(({ pieces }) => pieces)} />
          <CompareRow name="Stock, m²" cells={schools.map(({ area }) => area.toFixed(2))} />
          <CompareRow name="Stops" cells={schools.map(({ stops }) => stops)} />
        </tbody>
      </table>
      {decided > 0 && (
        <button
          type="button"
          className="act mt-1 self-start"
          onClick={() =>
            act({
              label: 'Construction as the house does it',
              edits: [{ path: pathTo.settings(cabinet.id), value: { school: here } }],
            })
          }
        >
          Take this school as the house does it
        </button>
      )}
    </>
  );
}

function CompareRow({ name, cells }: { name: string; cells: readonly React.ReactNode[] }) {
  return (
    <tr className="border-b border-rule/30">
      <th className="py-0.5 pr-1 text-left font-normal text-ink-soft">{name}</th>
      {cells.map((cell, at) => (
        <td key={at} className="pl-1">
          {cell}
        </td>
      ))}
    </tr>
  );
}
