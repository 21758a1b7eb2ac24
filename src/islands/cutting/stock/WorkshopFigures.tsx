import { type Declared, pathTo, type WorkshopGroup, workshopGroups } from '../../../core/decisions/index.js';
import { capital } from '../../../core/ground/index.js';
import { LengthField } from '../../fields/LengthField.js';
import { PlainField } from '../../fields/PlainField.js';
import { useOpenJob } from '../../openJob/context.js';

/** How this shop cuts, buys solid wood, and what its work costs: every figure of the workshop. */
export function WorkshopFigures() {
  return (
    <aside className="sheet flex flex-col gap-3 p-4" aria-label="This workshop">
      {(Object.keys(workshopGroups) as WorkshopGroup[]).map((group) => (
        <section key={group} className="flex flex-col gap-1">
          <h2 className="text-[1.0625rem] font-bold">{workshopGroups[group].title}</h2>
          {Object.entries(workshopGroups[group].figures as Readonly<Record<string, Declared<unknown>>>).map(
            ([figure, declared]) => (
              <FigureRow key={figure} group={group} figure={figure} declared={declared} />
            ),
          )}
        </section>
      ))}
    </aside>
  );
}

function FigureRow({ group, figure, declared }: { group: WorkshopGroup; figure: string; declared: Declared<unknown> }) {
  const job = useOpenJob((state) => state.job);
  const act = useOpenJob((state) => state.act);
  const value = (job.workshop[group] as Readonly<Record<string, unknown>>)[figure];
  const label = capital(declared.label);
  const commit = (next: unknown) => act({ label, edits: [{ path: pathTo.workshop(group, figure), value: next }] });
  return (
    <div className="flex min-h-8 items-center justify-between gap-2" title={declared.trade}>
      <span className="leading-tight">{label}</span>
      {declared.measure === 'mm' ? (
        <LengthField
          label={label}
          className="w-20 shrink-0"
          mm={value as number}
          style={job.display}
          onCommit={commit}
        />
      ) : declared.options ? (
        <select
          aria-label={label}
          className="entry min-w-0"
          value={value as string}
          onChange={({ currentTarget }) => commit(currentTarget.value)}
        >
          {Object.entries(declared.options).map(([id, words]) => (
            <option key={id} value={id}>
              {words}
            </option>
          ))}
        </select>
      ) : declared.measure === 'choice' ? (
        <input
          key={value as string}
          aria-label={label}
          className="entry w-20 text-right"
          defaultValue={value as string}
          onBlur={({ currentTarget }) => {
            const next = currentTarget.value.trim();
            if (next !== '' && next !== value) commit(next);
            else currentTarget.value = value as string;
          }}
          onKeyDown={(event) => {
            if (event.key === 'Enter') event.currentTarget.blur();
          }}
        />
      ) : (
        <PlainField label={label} width="w-16" value={value as number} onCommit={commit} />
      )}
    </div>
  );
}
