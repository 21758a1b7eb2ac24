import { useMemo, useState } from 'react';
import { editsBetween, type SaveEntry, saidOf } from '../../../core/commands/index.js';
import type { Edit, Job } from '../../../core/decisions/index.js';
import { drawThumbnail } from '../../../core/present/index.js';
import { solverOf } from '../../../core/solve/index.js';
import { ThumbnailDrawing } from '../../figures/ThumbnailDrawing.js';
import { useBench } from '../context.js';
import type { SavedState } from './saves.js';

/** So many cabinets of an earlier state are drawn. */
const DRAWN = 8;
const TALLEST = 84;

/** The job as it was saved once: how it looked, what that save decided, and what bringing it back would change. */
export function SavedStateView({ shown, save }: { shown: SavedState; save: SaveEntry | undefined }) {
  const bench = useBench((state) => state.job);
  const act = useBench((state) => state.act);
  const [refused, setRefused] = useState<string | null>(null);
  const { job, before, version } = shown;
  const back = useMemo(() => editsBetween(bench, job), [bench, job]);
  const made = useMemo(() => (before ? editsBetween(before, job) : []), [before, job]);
  const bringBack = () => {
    const outcome = act({ label: `Version ${version} brought back`, edits: back });
    setRefused(outcome.ok ? null : outcome.message);
  };
  const drawn = useMemo(() => {
    const solve = solverOf(job);
    return job.cabinets.slice(0, DRAWN).map((cabinet) => ({
      id: cabinet.id,
      kind: cabinet.kind,
      thumbnail: drawThumbnail(solve(cabinet)),
    }));
  }, [job]);
  const scale = TALLEST / Math.max(900, ...drawn.map(({ thumbnail }) => thumbnail.height));
  return (
    <section aria-label={`Version ${version}`} className="flex flex-col gap-2 px-3 py-1">
      <div className="flex items-center gap-3">
        <h2 className="min-w-0 flex-1 truncate">
          <b>{job.name}</b>, version {version}
        </h2>
        {back.length > 0 ? (
          <button type="button" className="act font-semibold" onClick={bringBack}>
            Bring it back
          </button>
        ) : (
          <span className="text-ink-soft">as it is now</span>
        )}
      </div>
      {refused && (
        <p role="alert" className="font-semibold text-finding">
          {refused}
        </p>
      )}
      <div className="grid grid-cols-[minmax(0,1fr)_auto] items-start gap-5">
        <div className="flex flex-col gap-2">
          {made.length > 0 && before && (
            <Said title="What this save decided" edits={made} before={before} after={job} />
          )}
          {save?.setAside && (
            <Said title="What gave way to another window" edits={save.setAside} before={job} after={job} />
          )}
          {back.length > 0 && (
            <Said title="What bringing it back would change" edits={back} before={bench} after={job} />
          )}
        </div>
        <div
          className="flex max-w-[26rem] items-end gap-1.5 overflow-hidden border-b-2 border-ink"
          style={{ minHeight: TALLEST + 6 }}
        >
          {drawn.map(({ id, kind, thumbnail }) => (
            <span key={id} className={kind === 'wall' ? 'self-start' : ''}>
              <ThumbnailDrawing thumbnail={thumbnail} scale={scale} />
            </span>
          ))}
          {job.cabinets.length > DRAWN && (
            <span className="pl-2 text-ink-soft">and {job.cabinets.length - DRAWN} more</span>
          )}
        </div>
      </div>
    </section>
  );
}

/** So many are told one by one. */
const TOLD = 40;

function Said({ title, edits, before, after }: { title: string; edits: readonly Edit[]; before: Job; after: Job }) {
  return (
    <div>
      <h3 className="font-semibold">{title}</h3>
      <ul className="text-[0.9375rem]">
        {edits.slice(0, TOLD).map((edit, at) => {
          const { what, value } = saidOf(edit, before, after);
          return (
            <li key={at} className="flex gap-3 border-b border-rule/40 py-0.5">
              <span className="flex-1">{what}</span>
              <span className="font-semibold">{value}</span>
            </li>
          );
        })}
        {edits.length > TOLD && <li className="text-ink-soft">and {edits.length - TOLD} more</li>}
      </ul>
    </div>
  );
}
