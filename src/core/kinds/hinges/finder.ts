import { sharesGap } from '../../build/index.js';
import { type AnyPath, type Edit, type ProposedAct, settingPath, sidesOf } from '../../decisions/index.js';
import { solutionsOf } from './hang.js';
import type { HungDoor } from './hung.js';
import type { HingeProfile } from './profile.js';
import type { HingedCabinet } from './rule.js';
import type { HingeSolution } from './solution.js';
import { overlayForReveal, solutionId } from './solver.js';
import { withGap } from './wish.js';

/** What the library can do for a door, at the reveal it has or at another that is tried. */
export interface FoundHinges {
  /** The reveal the door has now (mm); undefined where its hinges do not decide one that could be tried. */
  readonly own: number | undefined;
  /** Best first. */
  readonly solutions: readonly HingeSolution[];
}

/** Every solution of a library for a door, were its reveal `reveal` mm; as it is where that is undefined. */
export function findHinges(
  door: HungDoor,
  { resolved }: HingedCabinet,
  library: readonly HingeProfile[],
  reveal: number | undefined,
): FoundHinges {
  const { wish, hinged } = door;
  // A gap that is shared with the neighbour is no reveal of this cabinet's own.
  const tryable = wish.fit === 'full' && wish.carcass === 'frameless' && !sharesGap(hinged, resolved);
  const own = tryable ? overlayForReveal(sidesOf(resolved)[hinged].thickness.value, wish.overlay.value) : undefined;
  // What lies beyond the box stays free beside the door, whatever the reveal.
  const tried = reveal === undefined || own === undefined ? wish : withGap(wish, wish.gap.value + reveal - own);
  return { own, solutions: solutionsOf(tried, library) };
}

/** Hangs a door on a solution, and gives its edge the reveal it was found for. */
export function hangOn(
  { hinged }: HungDoor,
  on: HingedCabinet,
  solution: HingeSolution,
  reveal: number | undefined,
): ProposedAct {
  const edits: Edit<AnyPath>[] = [{ path: settingPath(on, 'hinges/choice'), value: solutionId(solution) }];
  if (reveal === undefined) return { label: 'Hinge', edits };
  edits.push({ path: settingPath(on, `fronts/reveal/${hinged}`), value: reveal });
  return { label: 'Hinge and reveal', edits };
}
