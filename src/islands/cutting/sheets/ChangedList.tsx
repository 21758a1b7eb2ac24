import type { SheetLayout } from '../../../core/decisions/index.js';
import type { ChangedLayout } from '../../../core/shop/index.js';

const KINDS: Readonly<Record<ChangedLayout['kind'], string>> = {
  size: 'has another size',
  gone: 'is no longer a part of the job',
  material: 'is of another material now',
  'no place': 'has no place on these sheets',
};

/** What no longer holds of an accepted layout, what is cut already first. */
export function ChangedList({
  changed,
  layout,
  show,
}: {
  changed: readonly ChangedLayout[];
  layout: SheetLayout;
  show: (mm: number) => string;
}) {
  return (
    <div role="alert" className="bg-finding-pale px-3 py-2 text-finding" data-changed={changed.length}>
      <b>Changed since this layout was accepted:</b>
      <ul className="ml-4 list-disc">
        {changed.slice(0, 12).map(({ kind, mark, part, cabinet, sheet, cut, was, is }) => (
          <li key={`${cabinet} ${part} ${kind}`}>
            {cut && <b>Already cut: </b>}
            {mark || part} {KINDS[kind]}
            {was && is && `: ${was.map(show).join(' × ')}, now ${is.map(show).join(' × ')}`}
            {sheet && ` (sheet ${layout.sheets.findIndex(({ id }) => id === sheet) + 1})`}
          </li>
        ))}
      </ul>
      {changed.length > 12 && <p>and {changed.length - 12} more.</p>}
    </div>
  );
}
