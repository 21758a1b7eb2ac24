import { Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { type Dim, formatLength, formatLengthWithUnit } from '../../../core/ground/index.js';
import {
  isNarrowRip,
  isTicked,
  type SetUp,
  type Station,
  setUpsOf,
  stations,
  tickSetUp,
} from '../../../core/shop/index.js';
import { Length } from '../../figures/Length.js';
import { useOpenJob } from '../../openJob/context.js';
import { useCutting } from '../context.js';
import { Working } from '../Working.js';
import { AnotherLayout } from './AnotherLayout.js';

/** The same parts as a working list: each setting of a machine once, with everything that is cut at it, ticked off as work goes. */
export function SetUpsView({ jobId }: { jobId: string }) {
  const { job, cabinets } = useCutting();
  const act = useOpenJob((state) => state.act);
  const setUps = useMemo(() => setUpsOf(cabinets, job.layouts ?? []), [cabinets, job.layouts]);
  const [why, setWhy] = useState<string | null>(null);
  const done = setUps.filter((setUp) => isTicked(job, setUp)).length;
  const fences = setUps.filter(({ station }) => station === 'rip' || station === 'crosscut').length;
  const accepted = (job.layouts ?? []).filter(({ sheets }) => sheets.length > 0).length;
  const tick = (setUp: SetUp, ticked: boolean) => {
    const { edits, label } = tickSetUp(job, setUp, ticked);
    if (edits.length === 0) {
      setWhy('Accept the layout of its sheets first: ticks are kept with the layout they were made on.');
      return;
    }
    const outcome = act({ label, edits });
    setWhy(outcome.ok ? null : outcome.message);
  };
  return (
    <>
      <div className="sheet flex flex-wrap items-center gap-x-5 gap-y-1 px-4 py-2">
        <h1 className="text-[1.0625rem] font-bold" data-setups={setUps.length}>
          {setUps.length} set-ups, {done} done
        </h1>
        <span className="text-ink-soft">
          {fences} positions of fence and stop at the saw.{' '}
          {accepted === 0 && (
            <a className="underline print:hidden" href={`/jobs/${jobId}/sheets`}>
              No layout of sheets is accepted yet: ticks are kept with it.
            </a>
          )}
        </span>
        <AnotherLayout jobId={jobId} />
        <button type="button" className="act ml-auto print:hidden" onClick={() => window.print()}>
          <Printer size={15} aria-hidden="true" /> Print
        </button>
      </div>
      {why && (
        <p role="alert" className="bg-finding-pale px-3 py-2 text-finding">
          {why}{' '}
          <a className="underline" href={`/jobs/${jobId}/sheets`}>
            To the sheets
          </a>
        </p>
      )}
      {(stations as readonly Station[]).map((station) => {
        const own = setUps.filter((setUp) => setUp.station === station.id);
        if (own.length === 0) return null;
        return (
          <section
            key={station.id}
            aria-label={station.title}
            className="sheet p-4 print:break-inside-auto print:shadow-none"
          >
            <h2 className="flex flex-wrap items-baseline gap-x-3 text-[1.125rem] font-bold">
              {station.title}
              <span className="text-base font-normal text-ink-soft">
                {own.length} {own.length === 1 ? 'set-up' : 'set-ups'}
                {station.fence && `, by the ${station.fence}`}. {station.work} {station.note}
              </span>
            </h2>
            <ul>
              {own.map((setUp) => (
                <SetUpRow
                  key={setUp.id}
                  setUp={setUp}
                  ticked={isTicked(job, setUp)}
                  onTick={(ticked) => tick(setUp, ticked)}
                />
              ))}
            </ul>
          </section>
        );
      })}
      <aside className="sheet px-4 py-3 leading-snug" aria-label="Take care">
        <b>At each set-up.</b> Narrow rips and short crosscuts are done with push block or stop block, never free-hand.
        Large cutters in panels take several shallow passes against the feed. Dust is drawn off where it is made. The
        machine maker's instructions come before this.
      </aside>
    </>
  );
}

function SetUpRow({ setUp, ticked, onTick }: { setUp: SetUp; ticked: boolean; onTick: (ticked: boolean) => void }) {
  const style = useOpenJob((state) => state.job.display);
  const { what, fence, depth, size, by, pieces, creep, station } = setUp;
  // Its numbers are those of the first piece; the others come to the same.
  const [first] = pieces;
  const sawn = station === 'rip' || station === 'crosscut';
  const count = pieces.reduce((sum, { quantity }) => sum + quantity, 0);
  const narrow = useOpenJob((state) => isNarrowRip(setUp, state.job.workshop));
  return (
    <li
      className={`flex gap-3 border-t border-sheet-edge py-1 print:break-inside-avoid ${ticked ? 'text-ink-soft' : ''}`}
      data-setup={setUp.id}
    >
      <span className="flex shrink-0 items-start gap-3">
        <input
          type="checkbox"
          className="mt-1 size-5 accent-pencil"
          checked={ticked}
          onChange={({ currentTarget: { checked } }) => onTick(checked)}
          aria-label={`${what}${fence ? ` at ${formatLength(fence.value, style)}` : ''}${size && !sawn ? `, ${formatLength(size.value, style)}` : ''} done`}
        />
        <span className="w-24 text-right text-[1.375rem] leading-tight font-bold">
          {(fence ?? size) && (
            <Working dim={(fence ?? size) as Dim} of={first && { id: first.cabinet, number: first.number }}>
              <Length mm={(fence ?? size)?.value ?? 0} style={style} />
            </Working>
          )}
        </span>
      </span>
      <span className={`${sawn ? 'w-20' : 'w-56'} shrink-0 pt-0.5 leading-snug`}>
        {sawn ? `${count} ${count === 1 ? 'piece' : 'pieces'}` : what}
        {!sawn && (
          <span className="text-ink-soft">
            {size &&
              fence &&
              ` ${formatLength(size.value, style)}${by ? ` × ${formatLength(by.value, style)}` : ''}${station === 'bore' ? ' across' : depth ? ' wide' : ''}`}
            {depth && `, ${formatLengthWithUnit(depth.value, style)} deep`}
          </span>
        )}
        {creep && <span className="block text-ink-soft">creep up to the panel</span>}
      </span>
      <ul className="flex flex-wrap gap-x-4 gap-y-0.5 pt-0.5">
        {narrow && <li className="font-semibold text-finding">Narrow: push block and riving knife.</li>}
        {pieces.map(({ mark, name, quantity, where, stops }) => (
          <li key={`${mark} ${where}`}>
            <b>{mark}</b> {quantity > 1 && `${quantity} × `}
            {name}
            {where !== '' && <span className="text-ink-soft">, {where}</span>}
            {stops.length > 0 && station === 'bore' && (
              <span className="text-ink-soft">
                , stops {shortened(stops.map(({ value: mm }) => formatLength(mm, style)))}
              </span>
            )}
          </li>
        ))}
      </ul>
    </li>
  );
}

/** A row of stops: all of a few, of many the first ones and the last. */
function shortened(stops: readonly string[]): string {
  return stops.length <= 6 ? stops.join(', ') : `${stops.slice(0, 3).join(', ')} … ${stops.at(-1)} (${stops.length})`;
}
