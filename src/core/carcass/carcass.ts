import type { Part } from '../parts/index.js';
import type { BuildContext, Fitting, Joint } from './build.js';
import { machineJoints } from './joints.js';
import { schools } from './schools.js';

export interface Built {
  readonly parts: readonly Part[];
  readonly joints: readonly Joint[];
  readonly fittings: readonly Fitting[];
}

/** Builds the carcass by its school, then cuts and bores the joints between its parts. */
export function buildCarcass(context: BuildContext): Built {
  const school = schools[context.resolved.settings.school.value];
  const built = school.builders.map((build) => build(context));
  const joints = built.flatMap((each) => each.joints ?? []);
  const parts = built.flatMap((each) => each.parts ?? []);
  return {
    parts: machineJoints(parts, joints, context.resolved),
    joints,
    fittings: built.flatMap((each) => each.fittings ?? []),
  };
}
