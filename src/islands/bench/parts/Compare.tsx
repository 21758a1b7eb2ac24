import { useMemo, useState } from 'react';
import { differencesBetween } from '../../../core/commands/index.js';
import { type SolvedCabinet, solveCabinet } from '../../../core/solve/index.js';
import { ThumbnailDrawing } from '../../figures/ThumbnailDrawing.js';
import { useBench } from '../context.js';
import { thumbnailOf } from '../thumbnails.js';
import { DifferencesTable } from './DifferencesTable.js';

/** So high a cabinet stands beside the other, and so wide both of them (px). */
const HIGH = 110;
const WIDE = 220;

/** The cabinet beside another, or beside itself some steps ago: both drawn, and all that differs. */
export function Compare({ solved }: { solved: SolvedCabinet }) {
  const all = useBench((state) => state.solved);
  const past = useBench((state) => state.past);
  const others = all.cabinets.filter(({ cabinet }) => cabinet.id !== solved.cabinet.id);
  const [chosen, setChosen] = useState<string>('');
  const value = chosen !== '' ? chosen : (others[0]?.cabinet.id ?? (past.length > 0 ? `step ${past.length - 1}` : ''));
  const other = useMemo((): { solved: SolvedCabinet; name: string } | undefined => {
    const at = /^step (\d+)$/.exec(value)?.[1];
    if (at === undefined) {
      const found = all.cabinets.find(({ cabinet }) => cabinet.id === value);
      return found && { solved: found, name: found.cabinet.number };
    }
    const before = past[Number(at)]?.before;
    const cabinet = before?.cabinets.find(({ id }) => id === solved.cabinet.id);
    return before && cabinet && { solved: solveCabinet(before, cabinet), name: 'then' };
  }, [value, all, past, solved.cabinet.id]);
  const differences = useMemo(() => other && differencesBetween(other.solved, solved), [other, solved]);
  const now = `${solved.cabinet.number} now`;
  const drawings = [
    ...(other ? [{ thumbnail: thumbnailOf(other.solved), name: other.name }] : []),
    { thumbnail: thumbnailOf(solved), name: now },
  ];
  const scale = Math.min(
    HIGH / Math.max(...drawings.map(({ thumbnail }) => thumbnail.height)),
    WIDE / drawings.reduce((sum, { thumbnail }) => sum + thumbnail.width, 0),
  );
  return (
    <div className="grid h-full min-h-0 grid-cols-[17rem_minmax(0,1fr)]">
      <div className="flex flex-col gap-2 overflow-y-auto border-r border-rule/50 p-2">
        <label className="flex items-center gap-2">
          With
          <select
            className="entry min-w-0 flex-1"
            aria-label="Compare with"
            value={value}
            onChange={(event) => setChosen(event.currentTarget.value)}
          >
            {others.map(({ cabinet }) => (
              <option key={cabinet.id} value={cabinet.id}>
                {cabinet.number} {cabinet.name}
              </option>
            ))}
            {past.map(({ label }, at) => (
              <option key={at} value={`step ${at}`}>
                itself, before {at + 1}: {label}
              </option>
            ))}
          </select>
        </label>
        <div className="flex items-end justify-around gap-2">
          {drawings.map(({ thumbnail, name }) => (
            <figure key={name} className="text-center">
              <ThumbnailDrawing thumbnail={thumbnail} scale={scale} />
              <figcaption>{name}</figcaption>
            </figure>
          ))}
        </div>
      </div>
      <div className="min-h-0 overflow-y-auto">
        {differences ? (
          <DifferencesTable differences={differences} words={[other?.name ?? '', now]} />
        ) : (
          <p className="px-3 py-2 text-ink-soft">There is nothing to compare it with yet.</p>
        )}
      </div>
    </div>
  );
}
