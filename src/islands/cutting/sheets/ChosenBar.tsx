import { Lock, LockOpen, MapPinOff } from 'lucide-react';
import type { LayoutSheet, PlacedPiece } from '../../../core/decisions/index.js';
import { formatLength, formatLengthWithUnit } from '../../../core/ground/index.js';
import type { SheetPiece } from '../../../core/shop/index.js';
import { useOpenJob } from '../../openJob/context.js';

/** What the chosen piece is, and what can be done with it. */
export function ChosenBar({
  jobId,
  sheets,
  sheet,
  placed,
  piece,
  onLock,
  onForbid,
  onMoveTo,
}: {
  jobId: string;
  sheets: readonly LayoutSheet[];
  /** The one it lies on. */
  sheet: LayoutSheet;
  placed: PlacedPiece;
  /** The part it is; none where that is gone. */
  piece: SheetPiece | undefined;
  onLock: () => void;
  onForbid: () => void;
  onMoveTo: (sheet: string) => void;
}) {
  const style = useOpenJob((state) => state.job.display);
  const { locked } = placed;
  return (
    <div className="flex flex-wrap items-center gap-2 px-3 py-2" data-selected={piece?.mark}>
      <span>
        {piece ? (
          <>
            <b>{piece.mark}</b> {piece.part.name}, of {piece.number} {piece.cabinetName}
          </>
        ) : (
          'No longer a part of the job'
        )}
        , {formatLength(placed.length, style)} × {formatLengthWithUnit(placed.width, style)}
      </span>
      <a className="act" href={`/jobs/${jobId}?cabinet=${placed.cabinet}&part=${encodeURIComponent(placed.part)}`}>
        Show it on the bench
      </a>
      {!sheet.cut && (
        <>
          <button type="button" className="act" aria-pressed={locked} onClick={onLock}>
            {locked ? <LockOpen size={15} aria-hidden="true" /> : <Lock size={15} aria-hidden="true" />}
            {locked ? 'Unlock' : 'Lock here'}
          </button>
          <button type="button" className="act" onClick={onForbid} title="Keeps this place clear and lays out again">
            <MapPinOff size={15} aria-hidden="true" /> Nothing here
          </button>
          <label className="flex items-center gap-1">
            Move to
            <select className="entry" value="" onChange={({ currentTarget: { value } }) => onMoveTo(value)}>
              <option value="">another sheet</option>
              {sheets.map(({ id, cut }, at) =>
                id === sheet.id || cut ? null : (
                  <option key={id} value={id}>
                    sheet {at + 1}
                  </option>
                ),
              )}
            </select>
          </label>
        </>
      )}
    </div>
  );
}
