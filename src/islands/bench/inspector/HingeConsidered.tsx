import { choiceOf, settingPath } from '../../../core/decisions/index.js';
import { formatMm } from '../../../core/ground/index.js';
import {
  consideredFor,
  FIT_WORDS,
  familyOf,
  gapForOverlay,
  type HingeProfile,
  type HingeSolution,
  type HungDoor,
  solutionId,
  solutionsOf,
} from '../../../core/kinds/hinges/index.js';
import { profilesOf, type SolvedCabinet } from '../../../core/solve/index.js';
import { Length } from '../../figures/Length.js';
import { useActOn, useBench } from '../context.js';

/** The whole library seen from one door: what would hang it and the reveal it gives, what is ruled out and by what. */
export function HingeConsidered({ door, solved }: { door: HungDoor; solved: SolvedCabinet }) {
  const { wish } = door;
  const library = useBench((state) => profilesOf(state.job, 'hinges'));
  const considered = consideredFor(door, library);
  const solutions = solutionsOf(wish, library);
  const closing = choiceOf(solved, 'hinges/closing');
  const beside = solved.contacts.get(door.front.key);
  const asked: [string, string][] = [
    ['Carcass', wish.carcass === 'frame' ? 'face frame' : 'frameless'],
    ['Door lies', FIT_WORDS[wish.fit]],
    ['Opens', `at least ${wish.opening}°${beside ? `; ${beside.obstacle.name} lets it go to ${beside.free}°` : ''}`],
    ['Closes', closing === 'any' ? 'either way' : closing],
    ['Family', wish.family === 'any' ? 'any' : wish.family],
  ];
  const open = considered.filter(({ against }) => against === undefined);
  const ruledOut = considered.flatMap(({ profile, against }) => (against === undefined ? [] : [{ profile, against }]));
  return (
    <>
      <h3 className="caps mt-2 border-t border-dashed border-rule pt-1.5">What is asked</h3>
      <dl className="grid grid-cols-[4.5rem_1fr] gap-x-2">
        {asked.map(([question, answer]) => (
          <div key={question} className="contents">
            <dt className="text-ink-soft">{question}</dt>
            <dd className="font-semibold">{answer}</dd>
          </div>
        ))}
      </dl>
      <h3 className="caps mt-2">{open.length === 0 ? 'Nothing in the library' : 'From the library'}</h3>
      <ul className="flex flex-col">
        {open.map(({ profile }) => (
          <li key={profile.id}>
            <Reached
              profile={profile}
              door={door}
              solved={solved}
              best={solutions.find((solution) => solution.profile.id === profile.id)}
            />
          </li>
        ))}
      </ul>
      {ruledOut.length > 0 && (
        <details className="mt-2 border-t border-sheet-edge pt-1" open={open.length === 0}>
          <summary className="min-h-7 cursor-pointer font-semibold">{ruledOut.length} ruled out, and why</summary>
          <ul className="flex flex-col gap-1">
            {ruledOut.map(({ profile, against }) => (
              <li key={profile.id} className="leading-snug">
                {profile.name}: <span className="text-ink-soft">{against}</span>
              </li>
            ))}
          </ul>
        </details>
      )}
      <p className="mt-2 text-[0.8125rem] leading-snug text-ink-soft">
        Figures come from the profiles of the library; the maker's own sheet always wins. Bore a test piece for a hinge
        never used before.
      </p>
    </>
  );
}

/** One profile: the plate and cup offset that come nearest, and the reveal or gap they give; pressing hangs the door on it. */
function Reached({
  profile,
  best,
  door,
  solved,
}: {
  profile: HingeProfile;
  best: HingeSolution | undefined;
  door: HungDoor;
  solved: SolvedCabinet;
}) {
  const act = useActOn(solved);
  const style = useBench((state) => state.job.display);
  const chosen = door.chosen?.profile.id === profile.id;
  if (!best)
    return (
      <p className="min-h-7 leading-snug text-ink-soft">
        {profile.name}: {familyOf(profile).misses}
      </p>
    );
  const fine = { ...style, mmStep: 0.1 };
  return (
    <button
      type="button"
      aria-pressed={chosen}
      className={`w-full border-l-4 py-1 pl-2 text-left leading-snug ${chosen ? 'border-pencil' : 'border-transparent hover:text-pencil'}`}
      onClick={() =>
        act({
          label: 'Hinge',
          edits: [
            {
              path: settingPath(solved, 'hinges/choice'),
              value: solutionId(chosen ? (door.chosen ?? best) : best),
            },
          ],
        })
      }
    >
      <span className="font-semibold">{profile.name}</span>{' '}
      <span className="text-ink-soft">
        {profile.maker}
        {profile.stock ? '' : ', to order'}
      </span>
      <br />
      {best.kind === 'concealed' ? (
        <>
          plate {formatMm(best.plate)}, cup {formatMm(best.offset)}: {door.wish.fit === 'full' ? 'reveal' : 'gap'}{' '}
          <Length mm={gapForOverlay(door.wish, best.reached)} style={fine} />
        </>
      ) : best.mortise > 0 ? (
        `let in ${formatMm(best.mortise, 0.1)} mm each`
      ) : (
        'screwed on, nothing let in'
      )}
    </button>
  );
}
