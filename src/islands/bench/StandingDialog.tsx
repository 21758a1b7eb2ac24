import { Plus, Ruler, Trash2 } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { addStanding } from '../../core/commands/index.js';
import { newId, pathTo, type StandingMeasure } from '../../core/decisions/index.js';
import type { Dim } from '../../core/ground/index.js';
import { bandedEdges } from '../../core/present/index.js';
import { type Converted, profilesOf } from '../../core/solve/index.js';
import { LengthField } from '../fields/LengthField.js';
import { PlainField } from '../fields/PlainField.js';
import { Length } from '../figures/Length.js';
import { useBench } from './context.js';

/** Trays for cabinets that stand already: what is measured in them, and what to cut, buy and do. */
export function StandingDialog() {
  const act = useBench((state) => state.act);
  const converted = useBench((state) => state.solved.standing);
  const [shown, setShown] = useState<string | null>(null);
  const current = converted.find(({ standing }) => standing.id === shown) ?? converted[0];
  const add = () => {
    const { act: adds, id } = addStanding(
      converted.map(({ standing }) => standing),
      newId,
    );
    if (act(adds).ok) setShown(id);
  };
  return (
    <Dialog.Root>
      <Dialog.Trigger className="act act-bare">
        <Ruler size={15} aria-hidden="true" /> Standing{converted.length > 0 ? ` ${converted.length}` : ''}
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <Dialog.Content className="sheet fixed top-1/2 left-1/2 z-50 flex max-h-[88vh] w-[66rem] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 flex-col p-5">
          <div className="flex items-start gap-3">
            <div className="flex-1">
              <Dialog.Title className="text-xl font-bold">Trays for cabinets that stand</Dialog.Title>
              <Dialog.Description className="text-ink-soft">
                Turn a fixed shelf into pull-out trays from what you measure in the cabinet, without designing it.
              </Dialog.Description>
            </div>
            <button type="button" className="act" onClick={add}>
              <Plus size={16} aria-hidden="true" /> A cabinet
            </button>
            <Dialog.Close className="act">Close</Dialog.Close>
          </div>
          {current ? (
            <>
              <nav className="mt-2 flex gap-1" aria-label="Standing cabinets">
                {converted.map(({ standing: { id, number, name } }) => (
                  <button
                    key={id}
                    type="button"
                    className="act act-bare"
                    aria-current={id === current.standing.id}
                    onClick={() => setShown(id)}
                  >
                    {number} {name}
                  </button>
                ))}
              </nav>
              <One key={current.standing.id} converted={current} />
            </>
          ) : (
            <p className="mt-4 max-w-prose">
              No cabinet has been measured yet. Add one, and type what the rule says: clear width, what stands out at
              either side when the doors are open, depth, and the height there is.
            </p>
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

const MEASURES: readonly (readonly [StandingMeasure, string])[] = [
  ['width', 'Clear between the sides, at the narrowest'],
  ['left', 'Stands out at the left, doors open'],
  ['right', 'Stands out at the right, doors open'],
  ['depth', 'Depth behind the doors'],
  ['height', 'Height for the trays'],
];

function One({ converted }: { converted: Converted }) {
  const act = useBench((state) => state.act);
  const style = useBench((state) => state.job.display);
  const runners = useBench((state) => profilesOf(state.job, 'runners'));
  const { standing, trays, rows, fittings, sticks, steps, problems } = converted;
  const { id, name } = standing;
  const set = (field: Parameters<typeof pathTo.standingField>[1], value: unknown) =>
    act({ label: `${name}: ${field}`, edits: [{ path: pathTo.standingField(id, field), value }] });
  const [first] = trays;
  return (
    <div className="mt-2 grid min-h-0 grid-cols-[17rem_minmax(0,1fr)] gap-5 overflow-y-auto">
      <section aria-label="Measured" className="flex flex-col gap-2">
        <label className="flex flex-col">
          <span className="text-ink-soft">What it is called</span>
          <input
            className="entry font-semibold"
            defaultValue={name}
            key={name}
            maxLength={80}
            onBlur={(event) => {
              const called = event.currentTarget.value.trim();
              if (called && called !== name) set('name', called);
            }}
          />
        </label>
        {MEASURES.map(([field, label]) => (
          <LengthField
            key={field}
            label={label}
            hideLabel={false}
            style={style}
            mm={standing[field]}
            onCommit={(mm) => set(field, mm)}
          />
        ))}
        <div className="flex items-center justify-between gap-2">
          <span>Trays, one above the other</span>
          <PlainField label="Trays" whole value={standing.trays} onCommit={(value) => set('trays', value)} />
        </div>
        <label className="flex flex-col">
          <span className="text-ink-soft">Runner</span>
          <select
            className="entry min-w-0"
            value={standing.runner}
            onChange={(event) => set('runner', event.currentTarget.value)}
          >
            <option value="none">by the rules</option>
            {runners
              .filter(({ family }) => family !== 'tall')
              .map((runner) => (
                <option key={runner.id} value={runner.id}>
                  {runner.name}
                </option>
              ))}
          </select>
        </label>
        <button
          type="button"
          className="act mt-2 self-start"
          onClick={() => act({ label: `${name} taken out`, edits: [{ path: pathTo.standing(id), value: undefined }] })}
        >
          <Trash2 size={15} aria-hidden="true" /> Take it out of the job
        </button>
      </section>
      <div className="min-w-0">
        {problems.map((problem) => (
          <p key={problem} role="alert" className="mb-2 bg-finding-pale px-2 py-1 text-finding">
            {problem}
          </p>
        ))}
        {first?.chosen && first.plan && (
          <dl className="mb-3 grid grid-cols-[auto_1fr] gap-x-3">
            <dt>Runner</dt>
            <dd className="font-semibold">
              {first.chosen.profile.name}, <Length mm={first.chosen.length.value} style={style} />
            </dd>
            <Figure name="Tray, outside width" dim={first.plan.outside} />
            <Figure name="Tray, length and height" dim={first.plan.length} and={first.plan.height} />
            <Figure name="Spacer, left" dim={first.spacers.left?.thickness} />
            <Figure name="Spacer, right" dim={first.spacers.right?.thickness} />
            <Figure name="Spacer sticks, from the top tray down" dim={sticks[0]} more={sticks.slice(1)} />
          </dl>
        )}
        <ol className="mb-3 list-decimal pl-5 leading-snug">
          {steps.map((step) => (
            <li key={step} className="mb-1">
              {step}
            </li>
          ))}
        </ol>
        <table className="w-full border-collapse text-[0.9375rem]">
          <caption className="text-left font-semibold">Parts</caption>
          <thead className="text-left">
            <tr className="h-8">
              {['Mark', 'Part', 'Qty', 'Cut length', 'Cut width', 'Material', 'Bands'].map((title) => (
                <th key={title} className={`px-1 font-semibold ${RIGHT.has(title) ? 'text-right' : ''}`}>
                  {title}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ mark, part, quantity }) => (
              <tr key={mark} className="h-7 border-t border-sheet-edge">
                <td className="px-1 font-semibold">{mark}</td>
                <td className="px-1">{part.name}</td>
                <td className="px-1 text-right">{quantity}</td>
                <td className="px-1 text-right">
                  <Length mm={part.cutLength.value} style={style} />
                </td>
                <td className="px-1 text-right">
                  <Length mm={part.cutWidth.value} style={style} />
                </td>
                <td className="px-1">{part.material.name}</td>
                <td className="px-1">{bandedEdges(part)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        {fittings.length > 0 && (
          <>
            <h3 className="mt-3 font-semibold">What to buy</h3>
            <ul className="leading-snug">
              {fittings.map(({ name: thing, quantity }) => (
                <li key={thing}>
                  {quantity} {thing}
                </li>
              ))}
            </ul>
          </>
        )}
        <p className="mt-2 text-[0.8125rem] text-ink-soft">
          They are in the cut list and the shopping list of the job, marked {standing.number}. The runner maker’s own
          sheet always wins over these figures.
        </p>
      </div>
    </div>
  );
}

const RIGHT: ReadonlySet<string> = new Set(['Qty', 'Cut length', 'Cut width']);

function Figure({
  name,
  dim,
  and,
  more = [],
}: {
  name: string;
  dim: Dim | undefined;
  and?: Dim;
  more?: readonly Dim[];
}) {
  const style = useBench((state) => state.job.display);
  if (!dim) return null;
  return (
    <>
      <dt>{name}</dt>
      <dd className="font-semibold">
        <Length mm={dim.value} style={style} />
        {and && (
          <>
            {' by '}
            <Length mm={and.value} style={style} />
          </>
        )}
        {more.map(({ value: mm }) => (
          <span key={mm}>
            , then <Length mm={mm} style={style} />
          </span>
        ))}
      </dd>
    </>
  );
}
