import { type Differences, isNone } from '../../../core/commands/index.js';
import type { LengthStyle } from '../../../core/ground/index.js';
import { Length } from '../../figures/Length.js';
import { useBench } from '../context.js';

/** What differs between two results, each thing before and after. */
export function DifferencesTable({
  differences,
  words,
}: {
  differences: Differences;
  /** What the two are called: before and after an act, or two cabinets. */
  words: readonly [before: string, after: string];
}) {
  const style = useBench((state) => state.job.display);
  const select = useBench((state) => state.select);
  if (isNone(differences)) return <p className="px-3 py-2">No part, hole, fitting or finding differs.</p>;
  const { parts, fittings, came, went } = differences;
  return (
    <table className="w-full border-collapse text-[0.9375rem]" data-differences="">
      <thead className="sticky top-0 bg-sheet text-left shadow-[0_1px_0_var(--color-ink)]">
        <tr className="h-8">
          <th className="pl-3 font-semibold">What</th>
          <th className="px-2 text-right font-semibold">{words[0]}</th>
          <th className="w-2/5 px-2 font-semibold">{words[1]}</th>
        </tr>
      </thead>
      <tbody>
        {came.map(({ what, severity }) => (
          <Row
            key={`came ${what}`}
            what={what}
            after={severity === 'note' ? 'a new note' : `a new ${severity === 'stop' ? 'stop' : 'warning'}`}
            alarming
          />
        ))}
        {went.map(({ what }) => (
          <Row key={`went ${what}`} what={what} before="found" after="settled" />
        ))}
        {parts.map(({ key, name, before, after, sizes, material, cuts }) => (
          <PartRows
            key={key}
            name={name}
            onSelect={() => select(key)}
            rows={[
              ...(before ? [] : [{ what: '', before: undefined, after: 'a new part' }]),
              ...(after ? [] : [{ what: '', before: 'a part', after: 'gone' }]),
              ...sizes.map((size) => ({ ...size, before: sized(size.before, style), after: sized(size.after, style) })),
              ...(material ? [{ what: 'material', ...material }] : []),
              ...(cuts
                ? [
                    {
                      what: 'cuts and holes',
                      before: String(cuts.before),
                      after: cuts.before === cuts.after ? 'moved' : String(cuts.after),
                    },
                  ]
                : []),
            ]}
          />
        ))}
        {fittings.map(({ name, before, after }) => (
          <Row key={name} what={`To buy: ${name}`} before={String(before)} after={String(after)} />
        ))}
      </tbody>
    </table>
  );
}

function sized(mm: number, style: LengthStyle) {
  return <Length mm={mm} style={style} />;
}

interface Shown {
  readonly what: string;
  readonly before: React.ReactNode;
  readonly after: React.ReactNode;
}

function PartRows({ name, rows, onSelect }: { name: string; rows: readonly Shown[]; onSelect: () => void }) {
  return rows.map(({ what, before, after }, at) => (
    <tr key={what} className="border-t border-rule/30">
      <td className="pl-3">
        {at === 0 && (
          <button type="button" className="min-h-7 pr-2 text-left font-semibold hover:text-pencil" onClick={onSelect}>
            {name}
          </button>
        )}
        <span className="text-ink-soft">{what}</span>
      </td>
      <td className="px-2 text-right text-ink-soft tabular-nums">{before}</td>
      <td className="px-2 font-semibold tabular-nums">{after}</td>
    </tr>
  ));
}

function Row({
  what,
  before,
  after,
  alarming = false,
}: {
  what: string;
  before?: string;
  after: string;
  alarming?: boolean;
}) {
  return (
    <tr className="border-t border-rule/30">
      <td className={`py-0.5 pl-3 leading-snug ${alarming ? 'font-semibold text-finding' : ''}`}>{what}</td>
      <td className="px-2 text-right text-ink-soft">{before}</td>
      <td className="px-2 font-semibold">{after}</td>
    </tr>
  );
}
