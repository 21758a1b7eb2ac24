import { Fragment, useState } from 'react';
import type { KindPanel } from '../../../core/cabinet/index.js';
import { openingAt } from '../../../core/commands/index.js';
import { newId, type ProposedAct } from '../../../core/decisions/index.js';
import { allKinds, type SolvedCabinet } from '../../../core/solve/index.js';
import { LengthField } from '../../fields/LengthField.js';
import { useActOn, useBench } from '../context.js';
import { FigureRow, WhyNot } from './FigureRow.js';

/** What kinds of fitted things say of what is selected: each as its kind declares it. */
export function KindPanels({ solved }: { solved: SolvedCabinet }) {
  const selected = useBench((state) => state.selected);
  if (selected === null) return null;
  const front = solved.fronts.find(({ parts }) => parts.some(({ key }) => key === selected));
  const thing = { key: selected, front: front?.key, opening: openingAt(solved, selected) };
  const fitted = solved.fitted as unknown as Readonly<Record<string, never>>;
  return allKinds.flatMap(({ id, panels }) =>
    (panels?.(fitted[id] as never, thing, solved as never) ?? []).map((panel) => (
      <OnePanel key={`${id} ${panel.label}`} panel={panel} solved={solved} />
    )),
  );
}

function OnePanel({ panel, solved }: { panel: KindPanel; solved: SolvedCabinet }) {
  const { label, title, taken, about, rows, fields = [], acts = [], against = [], note, of } = panel;
  const act = useActOn(solved);
  const style = useBench((state) => state.job.display);
  const [problem, setProblem] = useState<string | null>(null);
  const attempt = (next: ProposedAct) => {
    const outcome = act(next);
    setProblem(outcome.ok ? null : outcome.message);
  };
  return (
    <section aria-label={label} className="sheet p-3">
      <h2 className="caps">{title}</h2>
      {taken && (
        <p className="font-semibold leading-snug first-letter:uppercase">
          {taken}
          {about && <span className="block text-[0.8125rem] font-normal text-ink-soft">{about}</span>}
        </p>
      )}
      {rows.map(({ name, dim }) => (
        <Fragment key={name}>
          <FigureRow name={name} dim={dim} within={of} />
        </Fragment>
      ))}
      {fields.map((field) => (
        <LengthField
          key={field.path}
          label={field.label}
          hideLabel={false}
          style={style}
          mm={field.mm}
          onCommit={(mm) => act({ label: `${title}: ${field.label}`, edits: [{ path: field.path, value: mm }] })}
        />
      ))}
      {acts.length > 0 && (
        <p className="flex flex-wrap gap-1 pt-1">
          {acts.map(({ label: words, act: made }) => (
            <button key={words} type="button" className="act" onClick={() => attempt(made(newId))}>
              {words}
            </button>
          ))}
        </p>
      )}
      {problem && (
        <p role="alert" className="font-semibold text-finding">
          {problem}
        </p>
      )}
      <WhyNot against={against.map(({ profile, name, why }) => ({ key: profile, name, why }))} />
      {note && <p className="text-[0.8125rem] leading-snug text-ink-soft">{note}</p>}
    </section>
  );
}
