import { FileDown, History, LayoutGrid, Search, Wrench } from 'lucide-react';
import { useState } from 'react';
import { pathTo } from '../../core/decisions/index.js';
import { useSaving } from '../openJob/saving/context.js';
import { RefusedSteps, SaveWord } from '../openJob/saving/SaveWords.js';
import { UndoRedo } from '../openJob/UndoRedo.js';
import { useRest } from './afterwards.js';
import { useBench, useSolvedCabinet } from './context.js';
import { isTall } from './sheet/views/index.js';

/** Job name, units, undo and redo, what the save is doing, and the ways out. */
export function TopBar({ onKeys }: { onKeys: () => void }) {
  const saving = useSaving();
  const rest = useRest();
  const { jobId } = saving;
  const job = useBench((state) => state.job);
  const act = useBench((state) => state.act);
  const solved = useSolvedCabinet();
  const [older, setOlder] = useState(false);
  const { unit } = job.display;
  // A selected part is selected on its sheet as well.
  const selected = useBench((state) => state.selected);
  const part = solved?.parts.some(({ key }) => key === selected) ? selected : null;
  const sheets = `/jobs/${jobId}/sheets${solved && part ? `?cabinet=${solved.cabinet.id}&part=${encodeURIComponent(part)}` : ''}`;
  return (
    <header>
      <div className="flex min-h-11 items-center gap-2 px-3 max-lg:flex-wrap">
        <a href="/" className="text-[1.1875rem] font-bold tracking-tight">
          Alcove
        </a>
        <span aria-hidden="true" className="text-rule">
          /
        </span>
        <JobName
          name={job.name}
          onRename={(name) => act({ label: 'Job name', edits: [{ path: pathTo.head('name'), value: name }] })}
        />
        <SaveWord status={saving} />
        <span className="ml-auto flex items-center gap-1 max-lg:flex-wrap">
          <UndoRedo />
          <label className="ml-2 flex items-center gap-1.5">
            <span className="text-ink-soft max-2xl:sr-only">Shown in</span>
            <select
              className="entry font-semibold"
              value={unit}
              onChange={(event) =>
                act({ label: 'Unit', edits: [{ path: pathTo.head('display/unit'), value: event.currentTarget.value }] })
              }
            >
              <option value="mm">millimetres</option>
              <option value="in">inches</option>
            </select>
          </label>
          <Fineness />
          {solved &&
            (rest ? (
              <rest.FindDialog solved={solved} />
            ) : (
              <span className="act act-bare">
                <Search size={17} aria-hidden="true" /> <span className="max-xl:sr-only">Find</span>
              </span>
            ))}
          <HistoryButton />
          {rest ? (
            <rest.LibraryDialog jobId={jobId} flush={() => saving.flush()} />
          ) : (
            <span className="act ml-2">
              <Wrench size={16} aria-hidden="true" /> Hardware
            </span>
          )}
          <a
            className="act act-bare"
            href={sheets}
            title="The sheets this job takes, laid out"
            onClick={(event) => {
              // Sheets are laid out from what is saved.
              event.preventDefault();
              void saving.flush().then(() => window.location.assign(sheets));
            }}
          >
            <LayoutGrid size={17} aria-hidden="true" /> <span className="max-xl:sr-only">Sheets</span>
          </a>
          {rest ? (
            <rest.Exports jobId={jobId} flush={() => saving.flush()} onOlder={() => setOlder(true)} />
          ) : (
            <button type="button" className="act ml-2" disabled>
              <FileDown size={17} aria-hidden="true" /> Export
            </button>
          )}
          <button type="button" className="act act-bare" onClick={onKeys} aria-label="Keys" title="Keys (?)">
            ?
          </button>
        </span>
      </div>
      {older && (
        <p role="alert" className="flex items-center gap-3 bg-finding-pale px-3 py-1 text-finding">
          The file is older than what is on the bench: not all of it could be saved yet.
          <button type="button" className="act" onClick={() => setOlder(false)}>
            I know
          </button>
        </p>
      )}
      <RefusedSteps steps={saving.refused} onSettle={saving.settleRefused} />
      {rest && saving.state.kind === 'sides' && (
        <rest.SidesDialog sides={saving.state.sides} onChoose={saving.choose} />
      )}
    </header>
  );
}

/** Opens what was saved and done, at the lower edge of the bench. */
function HistoryButton() {
  const shown = useBench((state) => state.partsShown && state.list === 'steps');
  const tall = useBench((state) => isTall(state.view));
  const show = useBench((state) => state.show);
  const showParts = useBench((state) => state.showParts);
  const showList = useBench((state) => state.showList);
  return (
    <button
      type="button"
      className="act act-bare"
      title="What was saved of this job and done here, and when"
      aria-expanded={shown && !tall}
      onClick={() => {
        if (tall) show('all');
        showParts(tall || !shown);
        showList('steps');
      }}
    >
      <History size={17} aria-hidden="true" /> <span className="max-xl:sr-only">History</span>
    </button>
  );
}

function Fineness() {
  const display = useBench((state) => state.job.display);
  const act = useBench((state) => state.act);
  const metric = display.unit === 'mm';
  const path = pathTo.head(metric ? 'display/mmStep' : 'display/graduation');
  return (
    <select
      aria-label={metric ? 'Printed to' : 'Graduation'}
      className="entry"
      value={metric ? display.mmStep : display.graduation}
      onChange={(event) => act({ label: 'Graduation', edits: [{ path, value: Number(event.currentTarget.value) }] })}
    >
      {(metric ? [0.1, 0.5, 1] : [8, 16, 32, 64]).map((step) => (
        <option key={step} value={step}>
          {metric ? `to ${step}` : `to 1/${step}`}
        </option>
      ))}
    </select>
  );
}

function JobName({ name, onRename }: { name: string; onRename: (name: string) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <input
      aria-label="Job name"
      className="entry min-w-0 max-w-96 flex-1 border-transparent bg-transparent text-[1.0625rem] font-semibold"
      value={typed ?? name}
      onChange={(event) => setTyped(event.currentTarget.value)}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
        if (event.key === 'Escape') setTyped(null);
      }}
      onBlur={() => {
        const next = typed?.trim();
        if (next && next !== name) onRename(next);
        setTyped(null);
      }}
    />
  );
}
