import { Copy, FolderPlus, Plus, Trash2 } from 'lucide-react';
import { memo } from 'react';
import { addCabinet, copyOf, removeCabinet } from '../../core/commands/index.js';
import { type Cabinet, newCabinet, type StartingPoint, startingPoints } from '../../core/decisions/index.js';
import type { Thumbnail } from '../../core/present/index.js';
import type { SolvedCabinet } from '../../core/solve/index.js';
import { ThumbnailDrawing } from '../figures/ThumbnailDrawing.js';
import { useRest } from './afterwards.js';
import { useBench } from './context.js';
import { thumbnailOf } from './thumbnails.js';

/** Height of the tallest cabinet on the strip (px). */
const TALLEST = 40;
/** Cabinets up to this height stand at one scale (mm); taller ones are drawn smaller to fit. */
const USUAL = 950;

/** The job's cabinets standing in a row; the one on the bench is underlined. */
export function CabinetStrip() {
  const job = useBench((state) => state.job);
  const solved = useBench((state) => state.solved);
  const rest = useRest();
  const found = useBench((state) => state.found);
  const cabinetId = useBench((state) => state.cabinetId);
  const act = useBench((state) => state.act);
  const showCabinet = useBench((state) => state.showCabinet);
  const drawn = solved.cabinets.map((each) => ({
    solved: each,
    thumbnail: thumbnailOf(each),
    stops: (found[each.cabinet.id]?.findings ?? []).filter(({ severity }) => severity === 'stop').length,
  }));
  const current = job.cabinets.find((cabinet) => cabinet.id === cabinetId);
  const add = (cabinet: Cabinet, label: string) => {
    const outcome = act(addCabinet(cabinet, label));
    if (outcome.ok) showCabinet(cabinet.id);
  };
  const begin = (from: StartingPoint) => add(newCabinet(job, from), `${startingPoints[from].label} added`);
  const duplicate = () => {
    if (!current) return;
    add(copyOf(job, current), `Copy of ${current.number}`);
  };
  const remove = () => {
    if (current) act(removeCabinet(job, current));
  };
  return (
    <nav
      aria-label="Cabinets of this job"
      className="flex min-h-[4.25rem] min-w-0 items-end gap-1 overflow-x-auto border-b border-rule/60 px-3"
    >
      <ol className="flex min-w-48 items-end gap-0.5 overflow-x-auto">
        {drawn.map(({ solved: each, thumbnail, stops }) => (
          <StripItem
            key={each.cabinet.id}
            solved={each}
            thumbnail={thumbnail}
            stops={stops}
            here={each.cabinet.id === cabinetId}
            onShow={showCabinet}
          />
        ))}
      </ol>
      <span className="mb-1.5 ml-2 flex shrink-0 items-center gap-1">
        {(Object.keys(startingPoints) as StartingPoint[]).map((from) => (
          <button key={from} type="button" className="act act-bare" onClick={() => begin(from)}>
            <Plus size={16} aria-hidden="true" /> {startingPoints[from].label}
          </button>
        ))}
        {rest ? (
          <rest.StartDialog />
        ) : (
          <span className="act act-bare">
            <FolderPlus size={16} aria-hidden="true" /> From…
          </span>
        )}
        <button type="button" className="act act-bare" disabled={!current} onClick={duplicate}>
          <Copy size={15} aria-hidden="true" /> Copy
        </button>
        <button type="button" className="act act-bare" disabled={!current} onClick={remove}>
          <Trash2 size={15} aria-hidden="true" /> Remove
        </button>
        {rest && <rest.StandingDialog />}
      </span>
    </nav>
  );
}

interface StripItemProps {
  readonly solved: SolvedCabinet;
  readonly thumbnail: Thumbnail;
  readonly stops: number;
  readonly here: boolean;
  readonly onShow: (id: string) => void;
}

const StripItem = memo(function StripItem({ solved, thumbnail, stops, here, onShow }: StripItemProps) {
  const { cabinet } = solved;
  return (
    <li>
      <button
        type="button"
        aria-current={here ? 'true' : undefined}
        onClick={() => onShow(cabinet.id)}
        title={`${cabinet.number} ${cabinet.name}`}
        className={`flex h-[4.25rem] flex-col items-center justify-end gap-0.5 border-b-3 px-2 pb-0.5 ${here ? 'border-pencil bg-sheet' : 'border-transparent hover:bg-bench-deep'}`}
      >
        <ThumbnailDrawing thumbnail={thumbnail} scale={TALLEST / Math.max(USUAL, thumbnail.height)} />
        <span className={`text-[0.9375rem] leading-tight ${here ? 'font-bold' : ''}`}>
          {cabinet.number}
          {stops > 0 && <span className="ml-1 font-bold text-finding">stop</span>}
        </span>
      </button>
    </li>
  );
});
