import { useEffect, useRef, useState } from 'react';
import type { SaveEntry } from '../../../core/commands/index.js';
import type { Job } from '../../../core/decisions/index.js';

/** A saved state and the one before it, as far as it is kept. */
export interface SavedState {
  readonly version: number;
  readonly job: Job;
  readonly before: Job | undefined;
}

/** So many saves come at a time. */
const PAGE = 100;
const AWAY = 'The server does not answer, so what was saved cannot be shown. Is it still running?';

/**
 * Everything that was saved of a job, the earliest first; read anew when `moment` becomes another, and not while a save is
 * `pending`: what will be saved in a moment is listed then.
 */
export function useSaves(jobId: string, pending: boolean, moment: string) {
  const [saves, setSaves] = useState<readonly SaveEntry[]>([]);
  const [more, setMore] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const current = useRef(saves);
  current.current = saves;

  const read = async (before: number | undefined) => {
    try {
      const page = await fetch(`/api/jobs/${jobId}/history${before === undefined ? '' : `?before=${before}`}`);
      const { saved } = (await page.json()) as { saved: SaveEntry[] };
      const known = new Map(current.current.map((save) => [save.version, save]));
      for (const save of saved) known.set(save.version, save);
      setSaves([...known.values()].sort((a, b) => a.version - b.version));
      // The latest page says nothing of what lies before pages that were asked for.
      if (before !== undefined || current.current.length === 0) setMore(saved.length === PAGE);
      setProblem(null);
    } catch {
      setProblem(AWAY);
    }
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: read at each of these moments, and at no other
  useEffect(() => {
    if (!pending) void read(undefined);
  }, [jobId, pending, moment]);

  const state = async (version: number): Promise<Job | string> => {
    const response = await fetch(`/api/jobs/${jobId}/history/${version}`);
    const body = (await response.json()) as { document?: Job; error?: { message: string } };
    return body.document ?? body.error?.message ?? 'That state is not kept any more.';
  };
  return {
    saves,
    problem,
    /** Reads those before the ones that are there; undefined where there are none. */
    earlier: more ? () => read(saves[0]?.version) : undefined,
    /** The state after a save; undefined, with the reason in `problem`, where it cannot be had. */
    async stateOf(version: number): Promise<SavedState | undefined> {
      try {
        const job = await state(version);
        if (typeof job === 'string') {
          setProblem(job);
          return undefined;
        }
        const previous = saves[saves.findIndex((save) => save.version === version) - 1];
        const before = previous && (await state(previous.version));
        setProblem(null);
        return { version, job, before: typeof before === 'string' ? undefined : before };
      } catch {
        setProblem(AWAY);
        return undefined;
      }
    },
  };
}
