import { Tabs } from 'radix-ui';

/** The tabs of a list or a dialog, on a line. */
export function TabLine({ label, tabs }: { label: string; tabs: readonly (readonly [id: string, words: string])[] }) {
  return (
    <Tabs.List aria-label={label} className="flex gap-1 border-b border-ink/20 px-2">
      {tabs.map(([id, words]) => (
        <Tabs.Trigger
          key={id}
          value={id}
          className="min-h-8 border-b-2 border-transparent px-2 data-[state=active]:border-pencil data-[state=active]:font-semibold"
        >
          {words}
        </Tabs.Trigger>
      ))}
    </Tabs.List>
  );
}
