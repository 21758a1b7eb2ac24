import { useCallback, useEffect, useMemo, useState } from 'react';
import { type LayoutSheet, METHODS, pieceName, type SheetLayout } from '../../../core/decisions/index.js';
import { formatLength, formatLengthWithUnit } from '../../../core/ground/index.js';
import {
  acceptLayout,
  changedSince,
  type Demand,
  layoutInWords,
  letLayoutGo,
  markCut,
  movePiece,
  offcutMarks,
  type Proposal,
  roomFor,
  type SheetPiece,
  usedShare,
  withClear,
  withLock,
  withoutClear,
} from '../../../core/shop/index.js';
import { useOpenJob, useOpenJobStore } from '../../openJob/context.js';
import { ChangedList } from './ChangedList.js';
import { ChosenBar } from './ChosenBar.js';
import { OneSheet } from './OneSheet.js';

/** A piece that is chosen on the sheets of a material. */
export interface ChosenPiece {
  readonly material: string;
  readonly sheet: string;
  readonly at: number;
}

/** The sheets of one material, proposed or accepted: looked at, changed by hand, cut. */
export function MaterialSheets({
  jobId,
  demand,
  demands,
  byName,
  accepted,
  proposal,
  running,
  chosen,
  onChoose,
  onAgain,
  onDrop,
}: {
  jobId: string;
  demand: Demand;
  demands: readonly Demand[];
  byName: ReadonlyMap<string, SheetPiece>;
  accepted: SheetLayout | undefined;
  proposal: Proposal | undefined;
  running: boolean;
  chosen: ChosenPiece | null;
  onChoose: (piece: ChosenPiece | null) => void;
  onAgain: () => void;
  /** The proposal is not wanted any more. */
  onDrop: () => void;
}) {
  const job = useOpenJob((state) => state.job);
  const store = useOpenJobStore();
  const [why, setWhy] = useState<string | null>(null);
  const [opened, setOpened] = useState<string | null>(null);
  const { material } = demand;
  const open = why !== null || chosen !== null;
  useEffect(() => {
    if (!open) return;
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'Escape') return;
      setWhy(null);
      onChoose(null);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [open, onChoose]);
  const style = job.display;
  const layout = proposal?.layout ?? accepted;
  const changed = useMemo(
    () => (accepted && !proposal ? changedSince(accepted, demand, demands) : []),
    [accepted, proposal, demand, demands],
  );
  const hasLongBand = useCallback(
    ({ cabinet, part }: LayoutSheet['placements'][number]) =>
      byName.get(pieceName(cabinet, part))?.part.bands.some(({ edge }) => edge.startsWith('v')) === true,
    [byName],
  );
  const marks = useMemo(
    () => (layout ? offcutMarks(job, layout) : new Map<string, readonly string[]>()),
    [job, layout],
  );
  if (!layout) return null;
  const pieceOf = (sheet: LayoutSheet, at: number) => {
    const placed = sheet.placements[at];
    return placed && byName.get(pieceName(placed.cabinet, placed.part));
  };
  const markOf = (sheet: LayoutSheet, at: number) => pieceOf(sheet, at)?.mark ?? 'gone';
  const act = (next: Parameters<ReturnType<typeof store.getState>['act']>[0]) => {
    const outcome = store.getState().act(next);
    setWhy(outcome.ok ? null : outcome.message);
    return outcome.ok;
  };
  /** Changes the layout that is shown; one that was only proposed is accepted with it. */
  const change = (sheets: readonly LayoutSheet[], label: string) => {
    const next: SheetLayout = { ...layout, sheets: [...sheets] };
    if (act({ label, edits: acceptLayout(job, next).edits })) onDrop();
  };
  const drop = (
    sheet: LayoutSheet,
    at: number,
    by: { readonly x: number; readonly y: number },
    point: { readonly x: number; readonly y: number },
  ) => {
    const piece = sheet.placements[at];
    if (!piece) return;
    // Over another sheet it lies where the pointer let it go, by its middle.
    const over = document
      .elementsFromPoint(point.x, point.y)
      .map((element) => element.closest<SVGSVGElement>('svg[data-sheet]'))
      .find((found) => found !== null);
    const other = layout.sheets.find(({ id }) => id === over?.dataset.sheet);
    let to = { sheet: sheet.id, x: piece.x + by.x, y: piece.y + by.y };
    if (over && other && other.id !== sheet.id) {
      const bounds = over.getBoundingClientRect();
      const scale = bounds.width / other.length;
      to = {
        sheet: other.id,
        x: (point.x - bounds.left) / scale - piece.length / 2,
        y: other.width - (point.y - bounds.top) / scale - piece.width / 2,
      };
    }
    put({ sheet: sheet.id, at }, to);
  };
  const put = (from: { sheet: string; at: number }, to: { sheet: string; x: number; y: number }) => {
    const moved = movePiece(layout, from, to, {
      mark: ({ cabinet, part }) => byName.get(pieceName(cabinet, part))?.mark ?? 'another piece',
      show: (mm) => formatLengthWithUnit(mm, style),
    });
    if (!moved.ok) {
      setWhy(moved.why);
      return;
    }
    change(moved.sheets, 'Piece moved by hand');
    onChoose(null);
  };
  const chosenSheet = chosen ? layout.sheets.find(({ id }) => id === chosen.sheet) : undefined;
  const chosenPlaced = chosen && chosenSheet ? chosenSheet.placements[chosen.at] : undefined;
  const chosenPiece = chosen && chosenSheet ? pieceOf(chosenSheet, chosen.at) : undefined;
  const lock = () => {
    if (!chosen || !chosenPlaced) return;
    const { locked } = chosenPlaced;
    change(withLock(layout, chosen, !locked), locked ? 'Piece unlocked' : 'Piece locked');
  };
  const forbid = () => {
    if (!chosen || !chosenPlaced) return;
    change(withClear(layout, chosen), 'Place kept clear');
    onChoose(null);
    onAgain();
  };
  const moveTo = (id: string) => {
    const target = layout.sheets.find((each) => each.id === id);
    if (!chosen || !chosenPlaced || !target) return;
    const room = roomFor(job, layout, target, chosenPlaced);
    if (room) put(chosen, { sheet: target.id, x: room.x, y: room.y });
    else setWhy('Nothing that is left of that sheet takes it.');
  };
  const isAccepted = !proposal && accepted !== undefined;
  return (
    <section
      aria-label={material.name}
      className="sheet flex flex-col gap-3 p-4 print:shadow-none"
      data-material={material.id}
    >
      <h2 className="flex flex-wrap items-baseline gap-x-3 text-[1.125rem] font-bold">
        {material.name}
        <span className="text-base font-semibold" data-layout={layout.sheets.length}>
          {layoutInWords(layout)}
        </span>
        <span className="text-base font-normal text-ink-soft">
          {Math.round(usedShare(layout) * 100)} % of them used, cut {METHODS[layout.method]}
          {material.goodFaces === 1 &&
            '; one good face: it lies up at the router and the table saw, down under a circular saw'}
          {material.prefinished && '; comes finished: tape the cuts, no sanding'}
        </span>
      </h2>
      <div className="flex flex-wrap items-center gap-2 print:hidden">
        {isAccepted ? (
          <>
            <span className="border border-ink px-2 font-semibold" data-accepted="">
              Accepted
            </span>
            <button type="button" className="act" disabled={running} onClick={onAgain}>
              Lay out again round what is locked and cut
            </button>
            <button type="button" className="act act-bare" onClick={() => act(letLayoutGo(job, material.id))}>
              Let it go
            </button>
          </>
        ) : (
          <>
            <button
              type="button"
              className="act act-main"
              disabled={running}
              onClick={() => {
                if (act(acceptLayout(job, layout))) onDrop();
              }}
            >
              Accept this layout
            </button>
            {accepted && (
              <button type="button" className="act" onClick={onDrop}>
                Keep the one accepted before
              </button>
            )}
            <span className="text-ink-soft">
              Proposed. Accepted it is kept with its sizes, whatever changes, and sheets can be marked cut.
            </span>
          </>
        )}
      </div>
      {proposal?.unplaced.map(({ id, quantity, reason }) => (
        <p key={id} role="alert" className="bg-finding-pale px-2 py-1 text-finding">
          {id}, {quantity} times: {reason}
        </p>
      ))}
      {changed.length > 0 && <ChangedList changed={changed} layout={layout} show={(mm) => formatLength(mm, style)} />}
      {(why !== null || chosenPlaced !== undefined) && (
        <div className="sheet fixed bottom-3 left-1/2 z-20 w-max max-w-[calc(100vw-2rem)] -translate-x-1/2 border-2 border-pencil print:hidden">
          {why !== null && (
            <p role="alert" className="flex items-center gap-3 bg-finding-pale px-3 py-1 text-finding" data-why="">
              {why}
              <button type="button" className="act ml-auto" onClick={() => setWhy(null)}>
                I see
              </button>
            </p>
          )}
          {chosenSheet && chosenPlaced && (
            <ChosenBar
              jobId={jobId}
              sheets={layout.sheets}
              sheet={chosenSheet}
              placed={chosenPlaced}
              piece={chosenPiece}
              onLock={lock}
              onForbid={forbid}
              onMoveTo={moveTo}
            />
          )}
        </div>
      )}
      <ol className="flex flex-wrap gap-x-6 gap-y-5 print:block">
        {layout.sheets.map((sheet, at) => (
          <OneSheet
            key={sheet.id}
            layout={layout}
            sheet={sheet}
            marks={marks.get(sheet.id) ?? []}
            number={at + 1}
            name={`${material.name}, sheet ${at + 1}`}
            open={opened === sheet.id}
            selected={chosen?.sheet === sheet.id ? chosen.at : null}
            markOf={(piece) => markOf(sheet, piece)}
            pieceName={(piece) => pieceOf(sheet, piece)?.part.name ?? ''}
            hasLongBand={hasLongBand}
            grain={material.grain === 'length'}
            longest={Math.max(...layout.sheets.map(({ length }) => length))}
            onOpen={() => setOpened(opened === sheet.id ? null : sheet.id)}
            onSelect={(piece) => {
              setWhy(null);
              const same = chosen?.sheet === sheet.id && chosen.at === piece;
              onChoose(same ? null : { material: material.id, sheet: sheet.id, at: piece });
            }}
            onDrop={sheet.cut || running ? undefined : (piece, by, point) => drop(sheet, piece, by, point)}
            onCut={isAccepted && !sheet.cut ? () => act(markCut(job, material.id, sheet.id)) : undefined}
            onUseAgain={(place) => change(withoutClear(layout, sheet.id, place), 'Place used again')}
          />
        ))}
      </ol>
    </section>
  );
}
