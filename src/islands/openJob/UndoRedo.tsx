import { Redo2, Undo2 } from 'lucide-react';
import { useOpenJob } from './context.js';

/** Takes the last step back, or again; on a narrow window the words are left to the icons. */
export function UndoRedo() {
  const past = useOpenJob((state) => state.past);
  const future = useOpenJob((state) => state.future);
  const undo = useOpenJob((state) => state.undo);
  const redo = useOpenJob((state) => state.redo);
  return (
    <>
      <button
        type="button"
        className="act act-bare"
        disabled={past.length === 0}
        onClick={undo}
        title={past.at(-1) ? `Undo: ${past.at(-1)?.label}` : 'Nothing to undo'}
      >
        <Undo2 size={17} aria-hidden="true" /> <span className="max-xl:sr-only">Undo</span>
      </button>
      <button
        type="button"
        className="act act-bare"
        disabled={future.length === 0}
        onClick={redo}
        title={future.at(-1) ? `Redo: ${future.at(-1)?.label}` : 'Nothing to redo'}
      >
        <Redo2 size={17} aria-hidden="true" /> <span className="max-xl:sr-only">Redo</span>
      </button>
    </>
  );
}
