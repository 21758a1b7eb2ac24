import { useEffect, useMemo, useState } from 'react';
import type { Edit, FieldError, Job } from '../../../core/decisions/index.js';
import { useOpenJobStore } from '../context.js';
import type { SaveAnswer, SaveStatus, ServerState } from './answers.js';
import { Saver } from './saver.js';
import { type RefusedStep, type Save, UnsentShelf } from './unsent.js';

/** What a page was made from: the save it shows, in which database, and by which program. */
export interface PageOrigin {
  readonly version: number;
  readonly epoch: string;
  readonly program: string;
}

interface Body {
  readonly version?: number;
  readonly program?: string;
  readonly error?: { readonly code: string; readonly message: string; readonly fields?: readonly FieldError[] };
  readonly current?: ServerState & { readonly saved?: readonly { readonly edits: readonly Edit[] }[] };
}

/** Sends one save; what is no answer at all rejects. */
async function send(
  jobId: string,
  save: Save & { readonly program: string },
  leaving: boolean,
  onRenewed: () => void,
): Promise<SaveAnswer> {
  const text = JSON.stringify(save);
  const response = await fetch(`/api/jobs/${jobId}`, {
    method: 'PATCH',
    headers: { 'content-type': 'application/json' },
    body: text,
    // A browser refuses to carry more than this on after a page is left.
    keepalive: leaving && text.length < KEEPALIVE,
  });
  const body = (await response.json()) as Body;
  const { error, current } = body;
  if (response.ok && body.version !== undefined) {
    if (body.program !== undefined && body.program !== save.program) onRenewed();
    return { kind: 'saved', version: body.version };
  }
  if (response.status === 401) return { kind: 'locked' };
  if (error?.code === 'older-program') return { kind: 'outdated' };
  if (response.status === 409 && current) {
    const since = current.saved?.flatMap(({ edits }) => edits);
    return { kind: 'stale', theirs: current, since, restored: error?.code === 'restored' };
  }
  const message = error?.message ?? 'the server refused the change';
  if (response.status === 404) return { kind: 'ended', message };
  // What is wrong with the change itself does not mend; who may come in, and a server that is busy, does.
  return [400, 413, 422].includes(response.status)
    ? { kind: 'refused', message, fields: error?.fields ?? [] }
    : { kind: 'later', message };
}

const KEEPALIVE = 60_000;

/** Saves the bench's document a moment after every change, and keeps it in the browser until it is known to be saved. */
export function useAutosave(jobId: string, { version, epoch, program }: PageOrigin) {
  const store = useOpenJobStore();
  const [status, setStatus] = useState<SaveStatus>({
    state: { kind: 'saved' },
    refused: [],
    inBrowser: true,
    renewed: false,
  });
  const saver = useMemo(() => {
    const shelf = new UnsentShelf(jobId);
    const made: Saver = new Saver(
      store,
      { version, epoch },
      {
        send: (save, leaving) => send(jobId, { ...save, program }, leaving, () => made.newsOfProgram()),
        keep: (unsent) => shelf.keep(unsent),
        hold: () => shelf.hold(),
        leftOver: () => shelf.leftOver(),
        async load() {
          const response = await fetch(`/api/jobs/${jobId}`);
          if (!response.ok) throw new Error('the job could not be read');
          return (await response.json()) as { version: number; epoch: string; document: Job };
        },
      },
    );
    return made;
  }, [jobId, store, version, epoch, program]);

  useEffect(() => {
    const stop = saver.start(setStatus);
    const leave = () => {
      if (document.visibilityState === 'hidden') void saver.flush(true);
    };
    const warn = (event: BeforeUnloadEvent) => {
      if (saver.losesByLeaving) event.preventDefault();
    };
    const deafen = hearNews(jobId, saver, program);
    document.addEventListener('visibilitychange', leave);
    window.addEventListener('pagehide', leave);
    window.addEventListener('beforeunload', warn);
    return () => {
      stop();
      deafen();
      document.removeEventListener('visibilitychange', leave);
      window.removeEventListener('pagehide', leave);
      window.removeEventListener('beforeunload', warn);
    };
  }, [saver, jobId, program]);

  return {
    ...status,
    /** Saves what there is to save; false when something of the bench could not be saved for now. */
    async flush() {
      await saver.flush();
      return !saver.unsaved;
    },
    choose: (stands: ReadonlySet<Edit>) => saver.choose(stands),
    settleRefused: (step: RefusedStep, again: boolean) => saver.settleRefused(step, again),
  };
}

/** What the save of a job is doing, and the ways to ask for one. */
export type Saving = ReturnType<typeof useAutosave>;

/**
 * Hears of other windows' saves as they happen, while the page is seen: a browser gives one server a handful of lines,
 * and a page that is not seen should hold none. Seen again, it hears first how the job stands.
 */
function hearNews(jobId: string, saver: Saver, program: string): () => void {
  let source: EventSource | undefined;
  const follow = () => {
    if (document.visibilityState === 'hidden') {
      source?.close();
      source = undefined;
    } else if (!source) {
      source = new EventSource(`/api/jobs/${jobId}/events`);
      source.addEventListener('saved', (event) => {
        const news = JSON.parse((event as MessageEvent<string>).data) as PageOrigin;
        if (news.program !== program) saver.newsOfProgram();
        void saver.news(news.version, news.epoch);
      });
    }
  };
  follow();
  document.addEventListener('visibilitychange', follow);
  return () => {
    document.removeEventListener('visibilitychange', follow);
    source?.close();
  };
}
