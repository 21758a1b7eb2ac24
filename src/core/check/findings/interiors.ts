import { LEAST_MEMBER, roomsInside } from '../../build/index.js';
import type { FindingDraft, FindingRule } from '../../cabinet/index.js';
import { lettingGo } from './lettingGo.js';

/** Rooms behind a front whose decided sizes take more, or less, than there is. */
const roomsDoNotClose: FindingRule = {
  id: 'interiors/rooms-do-not-close',
  refuses: true,
  check: ({ interiors, cabinet, show, resolved }) => {
    const names = roomsInside(cabinet.face, resolved.fills);
    return interiors.refused.map(({ cell, path, split, refusal }): FindingDraft => {
      const { kind, by, decided, available } = refusal;
      const over = kind === 'over';
      return {
        severity: 'stop',
        what: `The rooms behind ${cell.name} ${over ? `need ${show(by)} more than there is` : `leave ${show(by)} that belongs to nothing`}.`,
        why: over
          ? `${show(decided.value)} of ${show(available.value)} is decided, and each room wants at least ${show(LEAST_MEMBER)}. Make one smaller, or let it take what is left. Until then nothing stands there.`
          : 'Every size is decided, so nothing can take up what is left. Let one of them take it. Until then nothing stands there.',
        numbers: [decided, available],
        refuses: true,
        settings: [path],
        fixes: lettingGo(split.parts, path, (id) => names.get(id)?.name),
      };
    });
  },
};

/** Sides so tall want something to keep them apart in the middle (mm). */
const TALL = 1200;

/** Tall sides without a fixed shelf between them. */
const tallWithoutShelf: FindingRule = {
  id: 'interiors/tall-without-shelf',
  check({ box, face, interiors, show }) {
    if (!face.ok || box.height.value <= TALL) return [];
    const boundaries = [...face.boundaries, ...interiors.boundaries];
    const fixed = boundaries.some(({ axis, kind }) => axis === 'rows' && (kind === 'shelf' || kind === 'web'));
    if (fixed) return [];
    return [
      {
        severity: 'note',
        what: `The sides are ${show(box.height.value)} high with no fixed shelf between them.`,
        why: 'Nothing keeps them from bowing apart in the middle. A fixed shelf there stiffens them.',
        numbers: [box.height],
        parts: ['side/left', 'side/right'],
      },
    ];
  },
};

export const interiorRules: readonly FindingRule[] = [roomsDoNotClose, tallWithoutShelf];
