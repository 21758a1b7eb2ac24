import { createContext, useContext } from 'react';
import { useStore } from 'zustand';
import type { OpenJob, OpenJobStore } from './openJob.js';

export const OpenJobContext = createContext<OpenJobStore | null>(null);

export function useOpenJobStore(): OpenJobStore {
  const store = useContext(OpenJobContext);
  if (!store) throw new Error('no job is open above this component');
  return store;
}

/** A slice of the job that is open. */
export function useOpenJob<T>(pick: (state: OpenJob) => T): T {
  return useStore(useOpenJobStore(), pick);
}
