import type { FindingDraft, FindingRule, RuleContext } from '../../cabinet/index.js';
import { type DecidedPart, ownPathTo } from '../../decisions/index.js';
import { canBeLeftOut, type Part } from '../../part/index.js';

interface Decided {
  readonly decision: DecidedPart;
  readonly part: Part;
}

/** What is decided of parts that are there. */
function decidedParts({ cabinet, parts }: RuleContext): Decided[] {
  if (!cabinet.parts) return [];
  const byKey = new Map(parts.map((part) => [part.key, part]));
  return cabinet.parts.flatMap((decision) => {
    const part = byKey.get(decision.part);
    return part ? [{ decision, part }] : [];
  });
}

/** A part that was decided about and is not in the cabinet any more. */
const gone: FindingRule = {
  id: 'decided/part-gone',
  check({ cabinet, parts, leftOut }) {
    if (!cabinet.parts) return [];
    const known = new Set([...parts, ...leftOut].map(({ key }) => key));
    return cabinet.parts
      .filter(({ part }) => !known.has(part))
      .map(({ id, part }): FindingDraft => {
        const path = ownPathTo.part(id);
        return {
          severity: 'warn',
          what: `Something is decided of the part at ${part}, and there is no such part now.`,
          why: 'That decision is not followed. Let it go, or bring back what the part belonged to.',
          settings: [path],
          fixes: [{ label: `Let go of what is decided of ${part}`, edits: [{ path, value: undefined }] }],
        };
      });
  },
};

/** A material of another thickness where the construction goes by the thickness of the role. */
const otherThickness: FindingRule = {
  id: 'decided/part-thickness',
  check(context) {
    const { resolved, show } = context;
    return decidedParts(context).flatMap(({ decision, part }): FindingDraft[] => {
      const own = resolved.pieces[part.key];
      if (!own || part.material.id === own.material.id) return [];
      const path = ownPathTo.partField(decision.id, 'material');
      return [
        {
          severity: 'stop',
          what: `${part.name} was to be made of ${own.material.name}, ${show(own.thickness.value)} thick; its place is ${show(part.thickness.value)} thick.`,
          why: 'Its fellows and what it is joined to go by one thickness. Choose a material as thick, or another for all of its kind.',
          numbers: [own.thickness, part.thickness],
          parts: [part.key],
          settings: [path],
          fixes: [{ label: 'Make it of the same as its fellows', edits: [{ path, value: undefined }] }],
        },
      ];
    });
  },
};

/** A part that cannot be left out by itself. */
const needed: FindingRule = {
  id: 'decided/part-needed',
  check(context) {
    return decidedParts(context).flatMap(({ decision, part }): FindingDraft[] => {
      if (decision.made !== 'left out' || canBeLeftOut(part)) return [];
      const path = ownPathTo.partField(decision.id, 'made');
      return [
        {
          severity: 'warn',
          what: `${part.name} was to be left out, and cannot be by itself.`,
          why: 'It is a side, a front or a piece of something made of several. Choose another fill or another construction.',
          parts: [part.key],
          settings: [path],
          fixes: [{ label: 'Make it after all', edits: [{ path, value: undefined }] }],
        },
      ];
    });
  },
};

/** A panel turned across on the sheet, where its grain then runs the short way of a visible or carrying part. */
const grainAcross: FindingRule = {
  id: 'decided/shelf-grain-across',
  check(context) {
    return decidedParts(context).flatMap(({ decision, part }): FindingDraft[] => {
      const carries = part.role === 'shelf' || part.piece?.kind === 'fixed shelf';
      if (decision.grain !== 'width' || !carries || part.material.grain !== 'length') return [];
      const path = ownPathTo.partField(decision.id, 'grain');
      return [
        {
          severity: 'warn',
          what: `The grain of ${part.name.toLowerCase()} runs across it.`,
          why: 'A shelf carries along its grain: turned across it bends a good deal more than is figured here.',
          parts: [part.key],
          settings: [path],
          fixes: [{ label: 'Let its grain run along its length', edits: [{ path, value: undefined }] }],
        },
      ];
    });
  },
};

export const decidedPartRules: readonly FindingRule[] = [gone, otherThickness, needed, grainAcross];
