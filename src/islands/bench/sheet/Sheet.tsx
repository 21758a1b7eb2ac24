import { Layers as LayersIcon, Settings2 } from 'lucide-react';
import { Tabs } from 'radix-ui';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { useRest } from '../afterwards.js';
import { useBench } from '../context.js';
import { DrawingTree } from './DrawingTree.js';
import { type BenchView, views } from './views/index.js';

/** The sheet of paper on the bench, with a tab for each of its views. */
export function Sheet({ solved, savedAt }: { solved: SolvedCabinet; savedAt: string }) {
  const view = useBench((state) => state.view);
  const show = useBench((state) => state.show);
  const decisionsShown = useBench((state) => state.decisionsShown);
  const showDecisions = useBench((state) => state.showDecisions);
  const rest = useRest();
  const chosen = views.find(({ id }) => id === view);
  return (
    <Tabs.Root
      value={view}
      onValueChange={(id) => show(id as BenchView)}
      className="sheet relative grid min-h-0 grid-rows-[auto_minmax(0,1fr)]"
    >
      <div className="flex min-w-0 items-center gap-1 border-b border-sheet-edge px-2">
        <button
          type="button"
          className="act act-bare mr-2 shrink-0"
          aria-expanded={decisionsShown}
          title="Everything that is decided about this cabinet (d)"
          onClick={() => showDecisions(!decisionsShown)}
        >
          <Settings2 size={16} aria-hidden="true" /> Decisions
        </button>
        <Tabs.List aria-label="View" className="flex min-w-0 gap-0.5 overflow-x-auto">
          {views.map(({ id, label }) => (
            <Tabs.Trigger
              key={id}
              value={id}
              className="min-h-8 border-b-2 border-transparent px-2 whitespace-nowrap text-ink-soft hover:text-ink data-[state=active]:border-pencil data-[state=active]:font-bold data-[state=active]:text-ink"
            >
              {label}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        {chosen?.Chooser && <chosen.Chooser solved={solved} />}
        {rest ? (
          <rest.LayersMenu />
        ) : (
          <button type="button" className="act act-bare ml-auto shrink-0" disabled>
            <LayersIcon size={16} aria-hidden="true" /> Layers
          </button>
        )}
      </div>
      <DrawingTree solved={solved} />
      {views.map(({ id, Sheet: Shown }) => (
        <Tabs.Content key={id} value={id} className="grid min-h-0" tabIndex={-1}>
          <Shown solved={solved} savedAt={savedAt} />
        </Tabs.Content>
      ))}
    </Tabs.Root>
  );
}
