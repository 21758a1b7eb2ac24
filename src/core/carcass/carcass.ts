import type { Operation } from '../machining/index.js';
import type { Part } from '../parts/index.js';
import type { BuildContext, Fitting, Joint } from './build.js';
import { framePaths } from './framing.js';
import { machineJoints } from './joints.js';
import { schools } from './schools.js';

export interface Built {
  readonly parts: readonly Part[];
  readonly joints: readonly Joint[];
  readonly fittings: readonly Fitting[];
  /** The ways screws take in parts nothing is bored in for them, by part key. */
  readonly paths: ReadonlyMap<string, readonly Operation[]>;
}

/** Builds the carcass by its school, then cuts and bores the joints between its parts. */
export function buildCarcass(context: BuildContext): Built {
  const school = schools[context.resolved.settings.school.value];
  const built = school.builders.map((build) => build(context));
  const joints = built.flatMap((each) => each.joints ?? []);
  const parts = built.flatMap((each) => each.parts ?? []);
  const machined = machineJoints(parts, joints, context.resolved);
  return {
    parts: machined.parts,
    paths: new Map([...machined.paths, ...framePaths(context, machined.parts)]),
    joints,
    fittings: built.flatMap((each) => each.fittings ?? []),
  };
}
