import { FileDown } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { exports } from '../../formats/exports/index.js';
import { useMain } from '../fields/over.js';
import { giveOut, type Writing } from '../openJob/saving/fileGiven.js';
import { reasonOf } from '../request.js';

interface Given {
  readonly label: string;
  /** Absent while it takes no time to speak of. */
  readonly writing?: Writing;
  readonly stop: () => void;
}

/** What the job can be given out as; what takes a while says how far it is, and can be stopped. */
export function Exports({
  jobId,
  flush,
  onOlder,
}: {
  jobId: string;
  flush: () => Promise<boolean>;
  onOlder: () => void;
}) {
  const main = useMain();
  const [given, setGiven] = useState<Given | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const leave = async (id: string, label: string) => {
    setProblem(null);
    const stopping = new AbortController();
    const stop = () => stopping.abort();
    setGiven({ label, stop });
    try {
      // What could not be saved is not in the file; that is said, and the file is given out as it is.
      if (!(await flush())) onOlder();
      await giveOut(`/api/jobs/${jobId}/${id}`, stopping.signal, (writing) => setGiven({ label, writing, stop }));
    } catch (error) {
      if (!stopping.signal.aborted) setProblem(`${label}: ${reasonOf(error)}`);
    }
    setGiven(null);
  };
  const item = 'flex min-h-9 cursor-pointer items-center px-3 outline-none data-[highlighted]:bg-pencil-pale';
  return (
    <span className="relative">
      <DropdownMenu.Root modal={false}>
        <DropdownMenu.Trigger className="act ml-2" disabled={given !== null}>
          <FileDown size={17} aria-hidden="true" /> Export
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal container={main}>
          <DropdownMenu.Content className="sheet z-30 min-w-56 py-1" align="end" sideOffset={4}>
            {exports.map(
              ({ id, label }) =>
                label && (
                  <DropdownMenu.Item key={id} className={item} onSelect={() => void leave(id, label)}>
                    {label}
                  </DropdownMenu.Item>
                ),
            )}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      {given?.writing && (
        <div role="status" data-writing className="sheet absolute top-full right-0 z-30 mt-1 w-72 p-3 leading-snug">
          <p className="font-semibold">{given.label}</p>
          <p className="text-ink-soft first-letter:uppercase">{given.writing.doing}</p>
          <div
            role="progressbar"
            aria-label={given.label}
            aria-valuemin={0}
            aria-valuemax={100}
            aria-valuenow={Math.round(given.writing.share * 100)}
            className="mt-2 h-1.5 w-full border border-rule"
          >
            <div className="h-full bg-pencil" style={{ width: `${given.writing.share * 100}%` }} />
          </div>
          <button type="button" className="act mt-2" onClick={given.stop}>
            Stop
          </button>
        </div>
      )}
      {problem && (
        <div role="alert" className="sheet absolute top-full right-0 z-30 mt-1 w-80 p-3 leading-snug">
          <p className="font-semibold text-finding">{problem}</p>
          <button type="button" className="act mt-2" onClick={() => setProblem(null)}>
            I know
          </button>
        </div>
      )}
    </span>
  );
}
