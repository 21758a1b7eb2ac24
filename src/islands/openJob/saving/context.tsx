import { createContext, type ReactNode, useContext } from 'react';
import { type PageOrigin, type Saving, useAutosave } from './saving.js';

const SavingContext = createContext<(Saving & { readonly jobId: string }) | null>(null);

/** Saves what is done under it. What the save is doing is known only to those who ask: the bench is not drawn anew for it. */
export function Saves({
  jobId,
  made,
  children,
}: {
  readonly jobId: string;
  readonly made: PageOrigin;
  readonly children: ReactNode;
}) {
  const saving = useAutosave(jobId, made);
  return <SavingContext value={{ ...saving, jobId }}>{children}</SavingContext>;
}

/** What the save of the job is doing, and the ways to ask for one. */
export function useSaving() {
  const saving = useContext(SavingContext);
  if (!saving) throw new Error('nothing is saved here');
  return saving;
}
