import { type ComponentType, lazy, Suspense, useMemo } from 'react';
import type { Job } from '../../core/decisions/index.js';
import { OpenJobContext } from '../openJob/context.js';
import { createOpenJob } from '../openJob/openJob.js';
import { CuttingBar } from './CuttingBar.js';
import { SetUpsView } from './setups/SetUpsView.js';
import { SheetsView } from './sheets/SheetsView.js';
import { StockView } from './stock/StockView.js';
import { CUTTING_VIEWS, type CuttingView } from './views.js';

export interface CuttingDeskProps {
  readonly stored: {
    readonly id: string;
    readonly version: number;
    readonly epoch: string;
    readonly program: string;
    readonly document: Job;
  };
  readonly view: CuttingView;
}

// What draws codes and charts is loaded where it is looked at.
const LabelsView = lazy(async () => ({ default: (await import('./labels/LabelsView.js')).LabelsView }));
const CostsView = lazy(async () => ({ default: (await import('./costs/CostsView.js')).CostsView }));

const VIEWS: Readonly<Record<CuttingView, ComponentType<{ jobId: string }>>> = {
  stock: StockView,
  sheets: SheetsView,
  setups: SetUpsView,
  labels: LabelsView,
  costs: CostsView,
};

/** One page of a job on its way from parts to the saw. What is decided here is saved as on the bench. */
export function CuttingDesk({ stored, view }: CuttingDeskProps) {
  const store = useMemo(() => createOpenJob(stored.document), [stored.document]);
  const View = VIEWS[view];
  return (
    <OpenJobContext value={store}>
      <CuttingBar jobId={stored.id} made={stored} view={view} />
      <main
        className="mx-auto flex max-w-[80rem] flex-col gap-3 px-4 pb-10 print:block print:max-w-none print:p-0"
        aria-label={CUTTING_VIEWS[view]}
      >
        <Suspense fallback={<p className="p-6 text-lg text-ink-soft">Opening {CUTTING_VIEWS[view].toLowerCase()}…</p>}>
          <View jobId={stored.id} />
        </Suspense>
      </main>
    </OpenJobContext>
  );
}
