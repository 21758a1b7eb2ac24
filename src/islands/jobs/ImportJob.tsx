import { FileUp } from 'lucide-react';
import { useRef, useState } from 'react';

/** Opens a job file from this machine as a new job. A file that cannot be read is refused with the places that are wrong. */
export function ImportJob({ onProblem }: { onProblem: (problem: string | null) => void }) {
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const open = async (file: File) => {
    setBusy(true);
    try {
      const response = await fetch('/api/jobs/import', { method: 'POST', body: await file.text() });
      const body = (await response.json()) as {
        id?: string;
        error?: { message: string; fields: { path: string; message: string }[] };
      };
      if (response.ok && body.id) {
        window.location.assign(`/jobs/${body.id}`);
        return;
      }
      const more = (body.error?.fields.length ?? 0) - 1;
      onProblem(
        `${file.name}: ${body.error?.message ?? 'it could not be read.'}${more > 0 ? ` And ${more} more.` : ''}`,
      );
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
