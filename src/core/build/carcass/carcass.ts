import { gather } from '../../ground/index.js';
import type { Intake, LeftOut, Operation, Part } from '../../part/index.js';
import type { BuildContext, Builder, Crossing, Fitting } from '../builder/index.js';
import { faceFrame } from '../frame/index.js';
import type { Joint } from '../joints/index.js';
import { back, nailers } from './back.js';
import { crossingsOf } from './crossings.js';
import { dividers } from './dividers.js';
import { ends } from './ends.js';
import { framePaths, withFramePockets } from './framing.js';
import { bottom, top } from './horizontals.js';
import { machineJoints } from './joints.js';
import { sides } from './sides.js';
import { toe } from './toe.js';

export interface BuiltCarcass {
  readonly parts: readonly Part[];
  readonly joints: readonly Joint[];
  readonly fittings: readonly Fitting[];
  /** The rails that run through from side to side. */
  readonly crossings: readonly Crossing[];
  /** The lines screws take in parts nothing is bored in for them, by part key. */
  readonly screwLines: ReadonlyMap<string, readonly Operation[]>;
}

/**
 * Every builder, in the order in which parts are listed. Each builds what the settings ask of it and nothing else, so a
 * frame is there where one is fitted, whatever the school.
 */
const builders: readonly Builder[] = [sides, bottom, top, dividers, back, nailers, toe, ends, faceFrame];

/** What a carcass is built from: what divides the face, and what divides the rooms behind it. */
type Given = Omit<BuildContext, 'crossings' | 'face'> & { readonly inner: BuildContext['boundaries'] };

/** Builds the carcass by its settings, then cuts and bores the joints between its parts. */
export function buildCarcass({ inner, ...given }: Given, intake: Intake): BuiltCarcass {
  const crossings = crossingsOf(given);
  const { boundaries: face } = given;
  const boundaries = inner.length > 0 ? [...face, ...inner] : face;
  const context: BuildContext = { face, ...given, boundaries, crossings };
  const built = builders.map((build) => build(context));
  const parts = intake.take(gather(built, (each) => each.parts ?? []));
  const { leftOut } = intake;
  const joints = gather(built, (each) => each.joints ?? []).filter((joint) => !joinsAny(joint, leftOut));
  const machined = machineJoints(parts, joints, context.resolved);
  const whole = withFramePockets(context, machined.parts);
  return {
    parts: whole,
    screwLines: linesByPart([
      ...machined.screwLines,
      ...framePaths(context, whole),
      ...built.flatMap(({ screwLines = [] }) => screwLines.map(([key, way]) => [key, [way]] as const)),
    ]),
    joints,
    crossings: crossings.filter(({ key }) => !leftOut.some((part) => part.key === key)),
    fittings: built.flatMap((each) => each.fittings ?? []),
  };
}

/** True for a joint of a part that is left out. */
function joinsAny({ member, holds }: Joint, leftOut: readonly LeftOut[]): boolean {
  return leftOut.some(({ key }) => key === member?.key || key === holds);
}

function linesByPart(
  found: readonly (readonly [key: string, screwLines: readonly Operation[]])[],
): Map<string, Operation[]> {
  const all = new Map<string, Operation[]>();
  for (const [key, screwLines] of found) all.set(key, [...(all.get(key) ?? []), ...screwLines]);
  return all;
}
