import type { MATERIAL_ROLES } from '../settings/index.js';
import type { ResolvedMaterial } from './materials.js';

type Role = keyof typeof MATERIAL_ROLES;

/** What roles are made of in a cabinet, and what single parts are made of otherwise, by their keys. */
interface MadePiece {
  readonly materials: Readonly<Record<Role, ResolvedMaterial>>;
  readonly pieces: Readonly<Record<string, ResolvedMaterial>>;
}

/** What a part is made of: what is decided of it alone, else the material of its role. */
export function madeOf({ materials, pieces }: MadePiece, role: Role, key: string): ResolvedMaterial {
  return pieces[key] ?? materials[role];
}

/** What the two sides are made of. */
export function sidesOf(made: MadePiece): { readonly left: ResolvedMaterial; readonly right: ResolvedMaterial } {
  return { left: madeOf(made, 'side', 'side/left'), right: madeOf(made, 'side', 'side/right') };
}
