import type { Dim } from '../../../core/ground/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { useBench } from '../context.js';
import { FigureRow, WhyNot } from './FigureRow.js';

/** The lift-up front that is selected: its factor, what lifts it, where that is screwed on, and why no other. */
export function LiftPanel({ solved }: { solved: SolvedCabinet }) {
  const selected = useBench((state) => state.selected);
  const front = solved.fronts.find(({ parts }) => parts.some(({ key }) => key === selected));
  const lift = solved.fitted.lifts.find((each) => each.front === front?.key);
  if (!lift) return null;
  const row = (name: string, dim: Dim | undefined) => <FigureRow name={name} dim={dim} within={lift} />;
  return (
    <section aria-label="What lifts this front" className="sheet p-3">
      <h2 className="caps">What lifts it</h2>
      <p className="font-semibold leading-snug">
        {lift.profile ? lift.profile.name : 'No lift in the library holds it'}
        {lift.profile && (
          <span className="block text-[0.8125rem] font-normal text-ink-soft">
            {lift.profile.maker}, factors {lift.profile.factor.from} to {lift.profile.factor.to}
          </span>
        )}
      </p>
      {row('Lift factor', lift.factor)}
      {row('On the case, behind its front edge', lift.side?.back)}
      {row('On the case, below the upper edge', lift.side?.down)}
      {row('On the front, from its side edges', lift.onFront?.across)}
      {row('On the front, below its upper edge', lift.onFront?.down)}
      <WhyNot against={lift.against.map(({ profile, name, why }) => ({ key: profile, name, why }))} />
      <p className="text-[0.8125rem] leading-snug text-ink-soft">
        Springs are under tension: the lift maker’s own instructions go before these figures.
      </p>
    </section>
  );
}
