import { Command } from 'cmdk';
import { Search } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useEffect, useRef, useState } from 'react';
import { type Findable, findables, type Lead, otherWords } from '../../../core/commands/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { useBench, useBenchStore } from '../context.js';
import { leadTo } from '../decisions/lead.js';
import { LAYER_KEYS, layersByKey } from '../sheet/layers.js';
import { views } from '../sheet/views/index.js';

/** Something that is done or shown as soon as it is found. */
interface Deed {
  readonly words: string;
  readonly key: string;
  readonly act: () => void;
}

/** Every decision, part, view, act and cabinet by its words, or by what others call it; Enter goes there or does it. */
export function FindDialog({ solved }: { solved: SolvedCabinet }) {
  const [open, setOpen] = useState(false);
  // What was found is gone to once the dialog has let go of the focus.
  const next = useRef<(() => void) | undefined>(undefined);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'k') return;
      event.preventDefault();
      setOpen(true);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className="act act-bare" title="Find a decision, a part, a view or a cabinet (Ctrl K)">
        <Search size={17} aria-hidden="true" /> <span className="max-xl:sr-only">Find</span>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <Dialog.Content
          className="sheet fixed top-[12vh] left-1/2 z-50 w-[40rem] max-w-[92vw] -translate-x-1/2 p-3"
          aria-describedby={undefined}
          onCloseAutoFocus={(event) => {
            if (!next.current) return;
            event.preventDefault();
            next.current();
            next.current = undefined;
          }}
        >
          <Dialog.Title className="sr-only">Find</Dialog.Title>
          {open && (
            <Found
              solved={solved}
              onDone={(then) => {
                next.current = then;
                setOpen(false);
              }}
            />
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Found({ solved, onDone }: { solved: SolvedCabinet; onDone: (then: () => void) => void }) {
  const store = useBenchStore();
  const job = useBench((state) => state.job);
  const all = findables(solved, job);
  const follow = (lead: Lead) => {
    const { select, showCabinet } = store.getState();
    onDone(() => {
      if (lead.to === 'part') select(lead.key);
      else if (lead.to === 'cabinet') showCabinet(lead.id);
      else leadTo(store, lead.path);
    });
  };
  const run = (deed: Deed) => onDone(deed.act);
  const heading = 'block px-2 pt-2 pb-0.5 text-[0.875rem] font-semibold tracking-wide text-ink-soft uppercase';
  const groups = ['Decisions', 'Parts', 'Cabinets'] as const;
  return (
    <Command label="Find" loop filter={fits}>
      <Command.Input
        autoFocus
        placeholder="toe height, side, section, undo …"
        className="entry min-h-10 w-full text-[1.0625rem]"
      />
      <Command.List className="mt-2 max-h-[52vh] overflow-y-auto">
        <Command.Empty className="p-3 text-ink-soft">
          Nothing goes by that word here. A shorter one may find it.
        </Command.Empty>
        <Command.Group heading="Views and acts" className="[&_[cmdk-group-heading]]:contents">
          {deedsOf(store).map((deed) => (
            <Command.Item
              key={deed.words}
              value={`do ${deed.words}`}
              keywords={[deed.words, ...otherWords(deed.words)]}
              onSelect={() => run(deed)}
              className={ITEM}
            >
              <span className="flex-1">{deed.words}</span>
              <span className="text-ink-soft">{deed.key}</span>
            </Command.Item>
          ))}
        </Command.Group>
        {groups.map((group) => (
          <Command.Group key={group} heading={<span className={heading}>{group}</span>}>
            {all
              .filter((each) => each.group === group)
              .map((each) => (
                <Item key={each.id} each={each} onFollow={follow} />
              ))}
          </Command.Group>
        ))}
      </Command.List>
    </Command>
  );
}

const ITEM =
  'flex min-h-8 cursor-pointer items-baseline gap-3 px-2 py-0.5 data-[selected=true]:bg-pencil-pale data-[selected=true]:text-pencil';

function Item({ each, onFollow }: { each: Findable; onFollow: (lead: Lead) => void }) {
  return (
    <Command.Item
      value={each.id}
      keywords={[each.words, ...each.also]}
      onSelect={() => onFollow(each.lead)}
      className={ITEM}
    >
      <span className="flex-1">{each.words}</span>
      <span className="text-right text-ink-soft">{each.value}</span>
    </Command.Item>
  );
}

/** Every word that is typed begins a word of it, or of what else it is called: its own words come first. */
function fits(_value: string, typed: string, keywords: string[] = []): number {
  const [own = '', ...others] = keywords.map((each) => each.toLowerCase());
  const begins = (text: string, word: string) => text.split(/[^\p{L}\p{N}]+/u).some((each) => each.startsWith(word));
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.every((word) => begins(own, word))) return 1 - own.length / 1000;
  return words.every((word) => begins(own, word) || others.some((other) => begins(other, word))) ? 0.3 : 0;
}

function deedsOf(store: ReturnType<typeof useBenchStore>): Deed[] {
  const state = store.getState();
  return [
    ...views.map(({ id, label, key }) => ({ words: `View: ${label}`, key, act: () => state.show(id) })),
    {
      words: state.decisionsShown ? 'Put the decisions away' : 'All decisions',
      key: 'd',
      act: () => state.showDecisions(!state.decisionsShown),
    },
    {
      words: state.partsShown ? 'Put the parts away' : 'Parts and what to buy',
      key: 't',
      act: () => state.showParts(!state.partsShown),
    },
    ...(Object.keys(LAYER_KEYS) as (keyof typeof LAYER_KEYS)[]).map((layer) => {
      const { label, key } = LAYER_KEYS[layer];
      return {
        words: `Layer: ${label}`,
        key,
        act: () => state.setLayers(layersByKey(state.layers, key) ?? {}),
      };
    }),
    ...(state.past.length > 0 ? [{ words: `Undo: ${state.past.at(-1)?.label}`, key: 'Ctrl Z', act: state.undo }] : []),
    ...(state.future.length > 0
      ? [{ words: `Redo: ${state.future.at(-1)?.label}`, key: 'Ctrl Y', act: state.redo }]
      : []),
  ];
}
