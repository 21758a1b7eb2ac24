import { Copy, FileDown, Trash2 } from 'lucide-react';
import type { JobSummary } from '../../core/present/index.js';
import { ThumbnailDrawing } from '../figures/ThumbnailDrawing.js';

/** Heights of the drawing in a row (px): base and wall cabinets stand at one scale. */
const TALLEST = 92;

/** A list draws so many of its cabinets. */
const SHOWN = 8;

/** One job: its cabinets standing on the floor line, what it is, and what is open. */
export function JobRow({
  job,
  onDelete,
  onDuplicate,
}: {
  job: JobSummary;
  onDelete: () => void;
  onDuplicate: () => void;
}) {
  const highest = Math.max(900, ...job.cabinets.map((cabinet) => cabinet.thumbnail.height));
  const scale = TALLEST / highest;
  const more = job.cabinetCount - job.cabinets.length;
  return (
    <article className="sheet group flex flex-col">
      <a href={`/jobs/${job.id}`} className="flex flex-col gap-2 px-4 pt-3">
        <span className="flex items-baseline justify-between gap-3">
          <span className="text-[1.1875rem] leading-tight font-semibold group-hover:text-pencil">{job.name}</span>
          {job.unreadable ? (
            <span className="shrink-0 font-bold text-finding">cannot be read</span>
          ) : (
            <OpenFindings job={job} />
          )}
        </span>
        <span
          className="flex items-end gap-1.5 overflow-hidden border-b-2 border-ink"
          style={{ minHeight: TALLEST + 6 }}
        >
          {job.cabinets.map((cabinet) => (
            <span
              key={cabinet.number}
              title={`${cabinet.number} ${cabinet.name}`}
              className={cabinet.kind === 'wall' ? 'self-start' : ''}
            >
              <ThumbnailDrawing thumbnail={cabinet.thumbnail} scale={scale} />
            </span>
          ))}
          {job.unreadable && <span className="pb-2 leading-snug text-finding">{job.unreadable}</span>}
          {job.cabinetCount === 0 && !job.unreadable && <span className="pb-2 text-ink-soft">no cabinets yet</span>}
          {job.cabinets.length < Math.min(SHOWN, job.cabinetCount) && !job.unreadable && (
            <span className="pb-2 text-ink-soft">being drawn…</span>
          )}
          {more > 0 && job.cabinets.length >= SHOWN && !job.unreadable && (
            <span className="pb-1 pl-2 text-lg text-ink-soft">and {more} more</span>
          )}
        </span>
      </a>
      <div className="flex min-h-10 items-center gap-1 px-4">
        <span className="mr-auto text-ink-soft">
          {job.cabinetCount} {job.cabinetCount === 1 ? 'cabinet' : 'cabinets'},{' '}
          {job.unit === 'mm' ? 'millimetres' : 'inches'}, saved {job.updatedAt.slice(0, 10)}
        </span>
        <button type="button" className="act act-bare" onClick={onDuplicate} aria-label={`Copy ${job.name}`}>
          <Copy size={15} aria-hidden="true" /> Copy
        </button>
        <a className="act act-bare" href={`/api/jobs/${job.id}/job.json`} aria-label={`Job file of ${job.name}`}>
          <FileDown size={15} aria-hidden="true" /> Job file
        </a>
        <button type="button" className="act act-bare" onClick={onDelete} aria-label={`Delete ${job.name}`}>
          <Trash2 size={15} aria-hidden="true" /> Delete
        </button>
      </div>
    </article>
  );
}

function OpenFindings({ job: { stops, warnings, cutInVain, pending } }: { job: JobSummary }) {
  const open = stops + warnings + cutInVain;
  if (pending > 0 && open === 0) return <span className="shrink-0 text-ink-soft">being figured…</span>;
  if (open === 0) return <span className="shrink-0 text-ink-soft">nothing open</span>;
  const words = [
    stops > 0 ? `${stops} ${stops === 1 ? 'stop' : 'stops'}` : '',
    warnings > 0 ? `${warnings} ${warnings === 1 ? 'warning' : 'warnings'}` : '',
    cutInVain > 0 ? `${cutInVain} cut ${cutInVain === 1 ? 'piece no longer fits' : 'pieces no longer fit'}` : '',
  ];
  return <span className="shrink-0 font-bold text-finding">{words.filter(Boolean).join(', ')}</span>;
}
