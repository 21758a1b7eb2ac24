import { type Opening, type OwnPath, type ProposedAct, pathTo } from '../../decisions/index.js';

/** Letting go of a decided size of a division that does not close, largest first; at most three are offered. */
export function lettingGo(
  members: readonly Pick<Opening, 'id' | 'size' | 'pin'>[],
  path: OwnPath,
  nameOf: (id: string) => string | undefined,
): ProposedAct[] {
  return members
    .map((member) => ({ member, mm: member.pin ?? (member.size.rule === 'fixed' ? member.size.mm : 0) }))
    .filter(({ mm }) => mm > 0)
    .sort((a, b) => b.mm - a.mm)
    .slice(0, 3)
    .map(({ member: { id, pin, size } }) => {
      const at = pathTo.opening(path, id);
      return {
        label: `Let ${nameOf(id)} take what is left`,
        edits: [
          ...(pin === undefined ? [] : [{ path: pathTo.openingField(at, 'pin'), value: undefined }]),
          ...(size.rule === 'fixed'
            ? [{ path: pathTo.openingField(at, 'size'), value: { rule: 'share', weight: 1 } }]
            : []),
        ],
      };
    });
}
