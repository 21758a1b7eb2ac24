import { DropdownMenu } from 'radix-ui';
import { actByKey, HANDS, type HandKey, MAKES, type OpeningAct, openingPlaceOf } from '../../../core/commands/index.js';
import { capital } from '../../../core/ground/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { useMain } from '../../fields/over.js';
import { chosenOpenings, useOpeningAct } from '../chosen.js';
import { useBench, useBenchStore } from '../context.js';

const ITEM = 'flex min-h-7 cursor-pointer items-center gap-3 px-3 outline-none data-[highlighted]:bg-pencil-pale';

/** What can be made of the chosen openings and done with them, each with its letter; it opens at the thing. */
export function OpeningMenu({ solved }: { solved: SolvedCabinet }) {
  const main = useMain();
  const store = useBenchStore();
  const menu = useBench((state) => state.menu);
  const selected = useBench((state) => state.selected);
  const also = useBench((state) => state.also);
  const act = useOpeningAct();
  const ids = chosenOpenings({ selected, also }, solved);
  if (!menu || ids.length === 0) return null;
  const shut = () => store.getState().openMenu(null);
  const doIt = (what: OpeningAct) => {
    shut();
    act(what);
  };
  const names = ids.map((id) => openingPlaceOf(solved, id)?.name ?? '');
  return (
    <DropdownMenu.Root open modal={false} onOpenChange={(open) => !open && shut()}>
      <DropdownMenu.Trigger asChild>
        <span className="fixed size-0" style={{ left: menu.x, top: menu.y }} aria-hidden="true" />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal container={main}>
        <DropdownMenu.Content
          className="sheet z-40 grid max-h-[var(--radix-dropdown-menu-content-available-height)] w-[27rem] grid-cols-2 overflow-y-auto py-1"
          collisionPadding={8}
          align="start"
          aria-label={`Menu of ${names.join(', ')}`}
          onKeyDown={(event) => {
            const what = actByKey(event.key);
            if (!what || event.ctrlKey || event.metaKey) return;
            event.preventDefault();
            event.stopPropagation();
            doIt(what);
          }}
        >
          <DropdownMenu.Label className="col-span-2 px-3 py-1 font-semibold">
            {ids.length > 1 ? `${ids.length} openings` : capital(names[0] ?? '')}
          </DropdownMenu.Label>
          <DropdownMenu.Group className="border-r border-rule/50">
            {Object.entries(MAKES).map(([key, { label }]) => (
              <Item key={key} letter={key} words={label} onSelect={() => doIt({ make: key })} />
            ))}
          </DropdownMenu.Group>
          <DropdownMenu.Group>
            {([2, 3, 4] as const).map((count) => (
              <DropdownMenu.Item key={count} className={ITEM} onSelect={() => doIt({ divide: 'rows', in: count })}>
                <span className="flex-1">{count} rows</span>
                <span className="text-ink-soft">{count} r</span>
              </DropdownMenu.Item>
            ))}
            {([2, 3] as const).map((count) => (
              <DropdownMenu.Item key={count} className={ITEM} onSelect={() => doIt({ divide: 'columns', in: count })}>
                <span className="flex-1">{count} columns</span>
                <span className="text-ink-soft">{count} c</span>
              </DropdownMenu.Item>
            ))}
            <DropdownMenu.Separator className="my-1 border-t border-rule/50" />
            {(Object.keys(HANDS) as HandKey[]).map((key) => (
              <Item key={key} letter={key} words={HANDS[key]} onSelect={() => doIt({ hand: key })} />
            ))}
          </DropdownMenu.Group>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

function Item({ letter, words, onSelect }: { letter: string; words: string; onSelect: () => void }) {
  return (
    <DropdownMenu.Item className={ITEM} onSelect={onSelect}>
      <span className="flex-1">{words}</span>
      <span className="text-ink-soft">{letter === 'Delete' ? 'Del' : letter}</span>
    </DropdownMenu.Item>
  );
}
