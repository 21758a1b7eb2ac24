import { Trash2 } from 'lucide-react';
import { type EditPath, pathTo } from '../../../core/decisions/index.js';
import { useOpenJob } from '../../openJob/context.js';

/** Takes a row out of a list of the stock. */
export function TakeOut({ list, id, what }: { list: EditPath; id: string; what: string }) {
  const act = useOpenJob((state) => state.act);
  return (
    <button
      type="button"
      className="act act-bare"
      aria-label={`Take ${what} out of stock`}
      onClick={() =>
        act({ label: `${what} taken out of stock`, edits: [{ path: pathTo.entry(list, id), value: undefined }] })
      }
    >
      <Trash2 size={15} aria-hidden="true" />
    </button>
  );
}
