import { FileUp } from 'lucide-react';
import { useRef, useState } from 'react';

/** Opens a job file from this machine as a new job. A file that cannot be read is refused with the places that are wrong. */
/** At most this many of the things wrong with a file are listed on the page; the terminal has them all. */
const MOST_LISTED = 12;

interface ImportError {
  readonly message: string;
  readonly fields: readonly { readonly path: string; readonly where?: string; readonly message: string }[];
}

/** Why a file was not taken: one sentence, or a line for each thing that is wrong and where. */
function refusal(name: string, error: ImportError | undefined): string {
  const fields = error?.fields ?? [];
  if (fields.length < 2) return `${name}: ${error?.message ?? 'it could not be read.'}`;
  const lines = fields
    .slice(0, MOST_LISTED)
    .map(({ path, where = path, message }) => (where ? `${where}: ${message}` : message));
  const more = fields.length - lines.length;
  return [
    `${name} was not taken; ${fields.length} things are wrong with it.`,
    ...lines,
    ...(more > 0 ? [`And ${more} more.`] : []),
  ].join('\n');
}

export function ImportJob({ onProblem }: { onProblem: (problem: string | null) => void }) {
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const open = async (file: File) => {
    setBusy(true);
    try {
      const response = await fetch('/api/jobs/import', { method: 'POST', body: file });
      const body = (await response.json()) as {
        id?: string;
        error?: ImportError;
      };
      if (response.ok && body.id) {
        window.location.assign(`/jobs/${body.id}`);
        return;
      }
      onProblem(refusal(file.name, body.error));
    } catch {
      onProblem(`${file.name} could not be sent to the server.`);
    } finally {
      setBusy(false);
      if (input.current) input.current.value = '';
    }
  };
  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        aria-label="Job file to open"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const [file] = event.currentTarget.files ?? [];
          if (file) void open(file);
        }}
      />
      <button type="button" className="act" disabled={busy} onClick={() => input.current?.click()}>
        <FileUp size={16} aria-hidden="true" /> Open a job file
      </button>
    </>
  );
}
