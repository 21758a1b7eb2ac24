import { Check, Layers as LayersIcon } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { SIZES, type Sizes } from '../../../core/present/index.js';
import { useMain } from '../../fields/over.js';
import { useBench } from '../context.js';
import { LAYER_KEYS } from './layers.js';

const ITEM = 'flex min-h-8 cursor-pointer items-center gap-2 px-3 outline-none data-[highlighted]:bg-pencil-pale';
const MARK = 'flex w-4 shrink-0';

/** What of the drawing is shown: each layer by itself, by its key as well. */
export function LayersMenu() {
  const main = useMain();
  const layers = useBench((state) => state.layers);
  const cornerShown = useBench((state) => state.cornerShown);
  const setLayers = useBench((state) => state.setLayers);
  const showCorner = useBench((state) => state.showCorner);
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className="act act-bare ml-auto shrink-0" title="What of the drawing is shown">
        <LayersIcon size={16} aria-hidden="true" /> Layers
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal container={main}>
        <DropdownMenu.Content className="sheet z-30 min-w-56 py-1" align="end" sideOffset={4}>
          <DropdownMenu.Label className="flex px-3 pt-1 font-semibold">
            <span className="flex-1">Sizes</span>
            <span className="text-ink-soft">{LAYER_KEYS.sizes.key}</span>
          </DropdownMenu.Label>
          <DropdownMenu.RadioGroup value={layers.sizes} onValueChange={(sizes) => setLayers({ sizes: sizes as Sizes })}>
            {(Object.keys(SIZES) as Sizes[]).map((word) => (
              <DropdownMenu.RadioItem key={word} value={word} className={ITEM} onSelect={stays}>
                <span className={MARK}>
                  <DropdownMenu.ItemIndicator>
                    <Check size={15} aria-hidden="true" />
                  </DropdownMenu.ItemIndicator>
                </span>
                {SIZES[word]}
              </DropdownMenu.RadioItem>
            ))}
          </DropdownMenu.RadioGroup>
          <DropdownMenu.Separator className="my-1 border-t border-rule/50" />
          {(['inside', 'hardware', 'findings', 'grain'] as const).map((layer) => (
            <DropdownMenu.CheckboxItem
              key={layer}
              checked={layers[layer]}
              className={ITEM}
              onSelect={stays}
              onCheckedChange={(shown) => setLayers({ [layer]: shown === true })}
            >
              <span className={MARK}>
                <DropdownMenu.ItemIndicator>
                  <Check size={15} aria-hidden="true" />
                </DropdownMenu.ItemIndicator>
              </span>
              <span className="flex-1">{LAYER_KEYS[layer].label}</span>
              <span className="text-ink-soft">{LAYER_KEYS[layer].key}</span>
            </DropdownMenu.CheckboxItem>
          ))}
          <DropdownMenu.Separator className="my-1 border-t border-rule/50" />
          <DropdownMenu.CheckboxItem
            checked={cornerShown}
            className={ITEM}
            onSelect={stays}
            onCheckedChange={(shown) => showCorner(shown === true)}
          >
            <span className={MARK}>
              <DropdownMenu.ItemIndicator>
                <Check size={15} aria-hidden="true" />
              </DropdownMenu.ItemIndicator>
            </span>
            <span className="flex-1">Picture in the corner</span>
            <span className="text-ink-soft">v</span>
          </DropdownMenu.CheckboxItem>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

/** Several layers are chosen in one go: the menu stays. */
const stays = (event: Event) => event.preventDefault();
