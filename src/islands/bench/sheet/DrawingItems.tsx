import { type Drawing, type DrawingItem, itemInk, type LaidSheet } from '../../../core/present/index.js';
import { Marks } from '../../figures/Marks.js';
import { useBench } from '../context.js';

/** Everything of a drawing but its dimensions; parts can be chosen by clicking them. */
export function DrawingItems({ drawing, laid, lit }: { drawing: Drawing; laid: LaidSheet; lit: boolean }) {
  const selected = useBench((state) => state.selected);
  const select = useBench((state) => state.select);
  return (
    <g>
      {drawing.items.map((item, at) => (
        <Item
          key={at}
          item={item}
          laid={laid}
          chosen={(lit || item.kind === 'hardware') && item.shows !== undefined && item.shows === selected}
          onSelect={select}
        />
      ))}
    </g>
  );
}

function Item({
  item,
  laid,
  chosen,
  onSelect,
}: {
  item: DrawingItem;
  laid: LaidSheet;
  chosen: boolean;
  onSelect: (key: string) => void;
}) {
  const ink = itemInk(item, laid, chosen);
  if (!ink) return null;
  const { shows, of, through, marks } = ink;
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: tables and panels offer the same choice by keyboard
    <g
      data-part={of === 'part' ? shows : undefined}
      data-hardware={of === 'hardware' ? shows : undefined}
      className={through ? 'pointer-events-none' : item.kind === 'hole' || of === 'hardware' ? 'cursor-pointer' : ''}
      onClick={(event) => {
        if (!shows) return;
        event.stopPropagation();
        onSelect(shows);
      }}
    >
      <Marks marks={marks} />
    </g>
  );
}
