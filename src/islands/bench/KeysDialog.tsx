import { Dialog } from 'radix-ui';

const KEYS: readonly [string, string][] = [
  ['?', 'This list'],
  ['[ and ]', 'The cabinet before, the cabinet after'],
  [
    'a, f, s, l, o, p, h',
    'All views, front, section, plan, picture, panel of the selected part, hinge corner of the selected door',
  ],
  ['+, - and 0', 'Nearer, further, all of the sheet; the wheel and two fingers do the same, a drag moves the paper'],
  ['v', 'The picture in the corner of all views'],
  ['Ctrl K', 'Find a decision, a part, a view, an act or a cabinet by its words'],
  ['d', 'All decisions beside the sheet'],
  ['t', 'Parts and what to buy under the sheet'],
  ['z, i, w, x, g', 'Layers of the drawing: sizes, what lies behind, hardware and holes, findings, grain'],
  ['A number, then r or c', 'Divide the chosen opening in so many rows or columns'],
  ['m', 'The menu of the chosen opening, with a letter for each thing it can be; the other mouse button as well'],
  ['Arrows; Shift arrows', 'From opening to opening; choosing several'],
  ['Shift press, Shift drag', 'Choose several openings; all that a frame touches'],
  ['q held', 'Measure: press two edges'],
  ['u', 'What is figured with the number of the open tape'],
  ['Ctrl Z', 'Undo'],
  ['Ctrl Shift Z, Ctrl Y', 'Redo'],
  ['Tab', 'From number to number on the drawing and from field to field'],
  ['Enter on a number', 'Change it, and open its tape'],
  ['Arrow up, arrow down', 'In a size: one step more or less; with Shift ten'],
  ['Arrow up, arrow down', 'On a shelf or hinge of the drawing: to the next hole'],
  ['Arrows', 'On a line of the drawing: one step further; with Shift ten. Alt held, a dragged line sticks nowhere'],
  ['Escape', 'Give up an entry; let go of the selection; close the tape'],
];

/** The keys there are, and the ways a size may be typed. */
export function KeysDialog({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <Dialog.Content className="sheet fixed top-1/2 left-1/2 z-50 max-h-[92vh] w-[40rem] max-w-[92vw] overflow-y-auto -translate-x-1/2 -translate-y-1/2 p-6">
          <Dialog.Title className="text-xl font-bold">Keys</Dialog.Title>
          <Dialog.Description className="mt-1 text-ink-soft">
            Sizes may be typed as 595, 59.5 cm, 23 3/4, 23-3/4", 1' 6 1/2", 600 - 2*18 or width/2.
          </Dialog.Description>
          <dl className="mt-4 grid grid-cols-[12rem_1fr] gap-y-1.5">
            {KEYS.map(([key, what]) => (
              <div key={key} className="contents">
                <dt className="font-semibold">{key}</dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
          <Dialog.Close className="act mt-5">Close</Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
