import { useState } from 'react';
import { openingNames, roomsInside } from '../../../core/build/index.js';
import { form, type SolvedCabinet } from '../../../core/solve/index.js';
import type { Outcome } from '../../fields/LengthField.js';
import type { EditorContext } from './OpeningBlock.js';

/** What the editors of one face share, and why the last thing that was tried could not be; null when it could. */
export function useEditing(solved: SolvedCabinet): {
  readonly context: EditorContext;
  readonly problem: string | null;
} {
  const [problem, setProblem] = useState<string | null>(null);
  const { face } = solved.cabinet;
  return {
    problem,
    context: {
      solved,
      attempt(outcome: Outcome) {
        setProblem(outcome.ok ? null : outcome.message);
        return outcome;
      },
      names: openingNames(face, form.fills),
      rooms: roomsInside(face, form.fills),
    },
  };
}
