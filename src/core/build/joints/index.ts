import { dado } from './dado.js';
import { dowels } from './dowels.js';
import type { JointForm } from './kind.js';
import { pocket } from './pocket.js';
import { rabbet } from './rabbet.js';
import { screws } from './screws.js';
import { tenons } from './tenons.js';

/** How the parts of a case are joined, in the order in which they are offered. A new joint is a file and one line here. */
export const joints: readonly JointForm[] = [screws, pocket, dowels, tenons, dado, rabbet];

const byId = new Map(joints.map((joint) => [joint.id, joint]));

/** The joint of an id; a document that says another is not read. */
export function jointOf(id: string): JointForm {
  const joint = byId.get(id);
  if (!joint) throw new Error(`there is no joint "${id}"`);
  return joint;
}

export type { InEnd, Joint, OnPart, Seat } from './joint.js';
export type { JointForm, Making } from './kind.js';
export { screwInEnd } from './screws.js';
