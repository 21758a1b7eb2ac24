import type { Dim } from '../../../core/ground/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { useBench } from '../context.js';
import { FigureRow, WhyNot } from './FigureRow.js';

/** The bin pull-out whose front is selected: what goes behind it, where its brackets are screwed on, and why no other. */
export function BinsPanel({ solved }: { solved: SolvedCabinet }) {
  const selected = useBench((state) => state.selected);
  const front = solved.fronts.find(({ parts }) => parts.some(({ key }) => key === selected));
  const bins = solved.fitted.waste.find((each) => each.front === front?.key);
  if (!bins) return null;
  const row = (name: string, dim: Dim | undefined) => <FigureRow name={name} dim={dim} within={bins} />;
  const { profile } = bins;
  return (
    <section aria-label="Bins behind this front" className="sheet p-3">
      <h2 className="caps">Bins behind it</h2>
      <p className="font-semibold leading-snug">
        {profile ? profile.name : 'No bins in the library fit'}
        {profile && (
          <span className="block text-[0.8125rem] font-normal text-ink-soft">
            {profile.maker}, carries {profile.load} kg
          </span>
        )}
      </p>
      {row('Clear width', bins.across)}
      {row('Clear height', bins.up)}
      {row('Clear depth', bins.depth)}
      {row('Brackets from the left edge of the front', bins.onFront?.left)}
      {row('Brackets from the right edge', bins.onFront?.right)}
      {row('Lower screw above its lower edge', bins.onFront?.lower)}
      <WhyNot against={bins.against.map(({ profile: key, name, why }) => ({ key, name, why }))} />
      <p className="text-[0.8125rem] leading-snug text-ink-soft">
        The bin maker’s own sheet always wins over these figures.
      </p>
    </section>
  );
}
