import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { decidedAt, placeOf, saidOf } from '../../../core/commands/index.js';
import { type Edit, type Job, pathFromText } from '../../../core/decisions/index.js';
import { useOpenJob } from '../context.js';
import type { Sides } from './answers.js';

/** Two sides of one job, by name and value: the maker says which stands. What gives way stays in the history. */
export function SidesDialog({ sides, onChoose }: { sides: Sides; onChoose: (stands: ReadonlySet<Edit>) => void }) {
  const bench = useOpenJob((state) => state.job);
  const { theirs, mine, conflicts, restored } = sides;
  const asked = restored ? mine : conflicts.map((each) => each.mine);
  const rows = asked.map((edit) => ({ edit, ...rowOf(edit, bench, theirs.document, sides) }));
  const [stands, setStands] = useState<ReadonlySet<Edit>>(() => new Set(restored ? asked : []));
  const set = (edit: Edit, own: boolean) => {
    const next = new Set(stands);
    if (own) next.add(edit);
    else next.delete(edit);
    setStands(next);
  };
  const merged = mine.length - asked.length;
  return (
    <Dialog.Root open>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <Dialog.Content
          className="sheet fixed top-1/2 left-1/2 z-50 flex max-h-[88vh] w-[58rem] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 flex-col p-5"
          onEscapeKeyDown={(event) => event.preventDefault()}
          onInteractOutside={(event) => event.preventDefault()}
        >
          <Dialog.Title className="text-xl font-bold">
            {restored ? 'The shop stands at another state' : 'Decided in two windows at once'}
          </Dialog.Title>
          <Dialog.Description className="text-ink-soft">
            {restored
              ? 'What the server has is not what this window began from. Say what of this window is to stand.'
              : 'Another window saved this job meanwhile. Say for each which is to stand; the other stays in the history.'}
            {merged > 0 &&
              ` ${merged} more of this window ${merged === 1 ? 'touches' : 'touch'} nothing of it and ${merged === 1 ? 'is' : 'are'} kept.`}
          </Dialog.Description>
          {sides.why && <p className="mt-2 font-semibold text-finding">Both together cannot be: {sides.why}</p>}
          <div className="mt-3 min-h-0 overflow-y-auto">
            <table className="w-full text-left">
              <thead>
                <tr className="border-b-2 border-ink">
                  <th className="py-1 pr-3 font-semibold">Decision</th>
                  <th className="py-1 pr-3 font-semibold">This window</th>
                  <th className="py-1 font-semibold">{restored ? 'On the server' : 'The other window'}</th>
                </tr>
              </thead>
              <tbody>
                {rows.map(({ edit, what, own, other }, at) => (
                  <tr key={`${placeOf(edit)} ${at}`} className="border-b border-rule/50 align-top">
                    <th scope="row" className="py-1.5 pr-3 font-normal">
                      {what}
                    </th>
                    <Side name={`side-${at}`} words={own} chosen={stands.has(edit)} onChoose={() => set(edit, true)} />
                    <Side
                      name={`side-${at}`}
                      words={other}
                      chosen={!stands.has(edit)}
                      onChoose={() => set(edit, false)}
                    />
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <div className="mt-4 flex items-center gap-2">
            <button type="button" className="act" onClick={() => setStands(new Set(asked))}>
              All of this window
            </button>
            <button type="button" className="act" onClick={() => setStands(new Set())}>
              {restored ? 'All as on the server' : 'All of the other'}
            </button>
            <button type="button" className="act act-main ml-auto font-semibold" onClick={() => onChoose(stands)}>
              Go on with these
            </button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Side({
  name,
  words,
  chosen,
  onChoose,
}: {
  name: string;
  words: string;
  chosen: boolean;
  onChoose: () => void;
}) {
  return (
    <td className="py-1 pr-3">
      <label className={`flex min-h-8 cursor-pointer items-center gap-2 ${chosen ? 'font-semibold' : 'text-ink-soft'}`}>
        <input type="radio" name={name} checked={chosen} onChange={onChoose} /> {words}
      </label>
    </td>
  );
}

/** A decision with its value on either side. */
function rowOf(
  edit: Edit,
  bench: Job,
  theirs: Job,
  { conflicts }: Sides,
): { what: string; own: string; other: string } {
  const { what, value } = saidOf(edit, theirs, bench);
  const met = conflicts.find(({ mine }) => mine === edit)?.theirs;
  if (met && placeOf(met) !== placeOf(edit)) {
    const said = saidOf(met, bench, theirs);
    return { what, own: value, other: `${said.what}: ${said.value}` };
  }
  const place = placeOf(edit);
  if ('moveBefore' in edit) return { what, own: value, other: 'where it stands' };
  const there = { path: pathFromText(place), value: decidedAt(theirs, place) };
  const other = saidOf(there, bench, theirs).value;
  return { what, own: value, other: 'insert' in edit ? 'not there' : other };
}
