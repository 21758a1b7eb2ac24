import { useOpenJob } from '../openJob/context.js';
import { RefusedSteps, SaveWord } from '../openJob/saving/SaveWords.js';
import { SidesDialog } from '../openJob/saving/SidesDialog.js';
import { type PageOrigin, useAutosave } from '../openJob/saving/saving.js';
import { UndoRedo } from '../openJob/UndoRedo.js';
import { CUTTING_VIEWS, type CuttingView } from './views.js';

/** The way back to the bench, the pages from stock to costs, and what the save is doing. */
export function CuttingBar({ jobId, made, view }: { jobId: string; made: PageOrigin; view: CuttingView }) {
  const name = useOpenJob((state) => state.job.name);
  const saving = useAutosave(jobId, made);
  /** Another page reads what is saved. */
  const goTo = (event: React.MouseEvent, address: string) => {
    if (event.metaKey || event.ctrlKey || event.shiftKey) return;
    event.preventDefault();
    void saving.flush().then(() => window.location.assign(address));
  };
  return (
    <header className="print:hidden">
      <div className="flex min-h-11 flex-wrap items-center gap-2 px-4">
        <a href="/" className="text-[1.1875rem] font-bold tracking-tight">
          Alcove
        </a>
        <span aria-hidden="true" className="text-rule">
          /
        </span>
        <a
          href={`/jobs/${jobId}`}
          className="max-w-96 truncate text-[1.0625rem] font-semibold underline"
          onClick={(event) => goTo(event, `/jobs/${jobId}${window.location.search}`)}
        >
          {name}
        </a>
        <SaveWord status={saving} />
        <nav aria-label="From parts to the saw" className="ml-4 flex flex-wrap gap-1">
          {Object.entries(CUTTING_VIEWS).map(([id, words]) => (
            <a
              key={id}
              href={`/jobs/${jobId}/${id}`}
              aria-current={id === view ? 'page' : undefined}
              className={`act ${id === view ? 'act-main' : 'act-bare'}`}
              onClick={(event) => goTo(event, `/jobs/${jobId}/${id}${window.location.search}`)}
            >
              {words}
            </a>
          ))}
        </nav>
        <span className="ml-auto flex items-center gap-1">
          <UndoRedo />
        </span>
      </div>
      <RefusedSteps steps={saving.refused} onSettle={saving.settleRefused} />
      {saving.state.kind === 'sides' && <SidesDialog sides={saving.state.sides} onChoose={saving.choose} />}
    </header>
  );
}
