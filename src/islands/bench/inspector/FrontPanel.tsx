import { type Front, grainGroups } from '../../../core/build/index.js';
import type { Dim } from '../../../core/ground/index.js';
import type { PlacedPull } from '../../../core/kinds/pulls/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { Length } from '../../figures/Length.js';
import { useBench } from '../context.js';
import { useTapeOf } from '../numbers.js';

/** The selected front: what it weighs, where its pull is bored, and the blank it comes out of where its grain runs on. */
export function FrontPanel({ solved }: { solved: SolvedCabinet }) {
  const selected = useBench((state) => state.selected);
  const openTape = useTapeOf();
  const front = solved.fronts.find(({ parts }) => parts.some((part) => part.key === selected));
  if (!front) return null;
  const pulls = solved.fitted.pulls.filter(({ frontKey }) => frontKey === front.key);
  return (
    <section aria-label="This front" className="sheet p-3">
      <h2 className="caps">This front</h2>
      <p className="flex items-center justify-between">
        <span>Weighs, without its pull</span>
        <button
          type="button"
          className="min-h-7 font-semibold hover:text-pencil"
          onClick={() => openTape(front.weight, { within: front })}
        >
          {front.weight.value.toFixed(1)} kg
        </button>
      </p>
      {pulls.length === 0 ? (
        <p className="text-ink-soft">{front.opens === 'not' ? 'Fixed; it has no pull.' : 'No pull is bored.'}</p>
      ) : (
        <PullHoles pulls={pulls} />
      )}
      <Blank solved={solved} front={front} />
    </section>
  );
}

function PullHoles({ pulls }: { pulls: readonly PlacedPull[] }) {
  const style = useBench((state) => state.job.display);
  const openTape = useTapeOf();
  const [first] = pulls;
  const size = (at: number, dim: Dim) => (
    <button
      type="button"
      className="min-h-7 font-semibold hover:text-pencil"
      onClick={() => openTape(dim, { within: pulls[at] })}
    >
      <Length mm={dim.value} style={style} />
    </button>
  );
  return (
    <table className="mt-1 w-full text-right">
      <caption className="text-left">
        {first?.profile.name} <span className="text-ink-soft">{first?.profile.maker}</span>
      </caption>
      <thead>
        <tr className="border-b border-ink text-[0.875rem]">
          <th className="text-left font-semibold">Holes, from</th>
          <th className="font-semibold">left edge</th>
          <th className="font-semibold">lower edge</th>
        </tr>
      </thead>
      <tbody>
        {pulls.flatMap(({ holes }, at) =>
          holes.map(({ across, up }, hole) => (
            <tr key={`${at} ${hole}`}>
              <td className="text-left text-ink-soft">{at * holes.length + hole + 1}</td>
              <td>{size(at, across)}</td>
              <td>{size(at, up)}</td>
            </tr>
          )),
        )}
      </tbody>
    </table>
  );
}

function Blank({ solved, front }: { solved: SolvedCabinet; front: Front }) {
  const style = useBench((state) => state.job.display);
  const grain = front.parts.find((part) => part.grain)?.grain;
  const group = grain && grainGroups(solved.fronts, solved.resolved).find(({ id }) => id === grain.group);
  if (!grain || !group) return null;
  return (
    <p className="mt-1 leading-snug">
      Piece {grain.piece} of {grain.of} of blank {grain.group}, <Length mm={group.height.value} style={style} /> high
      and <Length mm={group.width.value} style={style} /> wide, saw cuts included.
    </p>
  );
}
