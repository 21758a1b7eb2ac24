import { useState } from 'react';
import { alone } from '../../../core/commands/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { reasonOf, request } from '../../request.js';
import { useBench } from '../context.js';

/** Keeps the cabinet for the shop, to start others from: with a name and a picture. */
export function KeepAsStart({ solved }: { solved: SolvedCabinet }) {
  const job = useBench((state) => state.job);
  const { cabinet } = solved;
  const [name, setName] = useState<string | null>(null);
  const [said, setSaid] = useState<{ text: string; wrong: boolean } | null>(null);
  const keep = async () => {
    const called = (name ?? '').trim();
    if (called === '') {
      setSaid({ text: 'A name was expected, such as the use of the cabinet.', wrong: true });
      return;
    }
    try {
      await request('/api/shop/starts', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ name: called, document: alone(job, cabinet) }),
      });
      setName(null);
      setSaid({ text: `Kept as “${called}”. From… above the sheet begins others from it.`, wrong: false });
    } catch (error) {
      setSaid({ text: reasonOf(error), wrong: true });
    }
  };
  return (
    <>
      {name === null ? (
        <button
          type="button"
          className="act self-start"
          onClick={() => {
            setName(cabinet.name);
            setSaid(null);
          }}
        >
          Keep as a start
        </button>
      ) : (
        <form
          className="flex flex-col gap-1 border-t border-rule/50 pt-2"
          onSubmit={(event) => {
            event.preventDefault();
            void keep();
          }}
        >
          <label className="flex flex-col">
            <span className="text-ink-soft">Name of the start</span>
            <input
              className="entry"
              // biome-ignore lint/a11y/noAutofocus: the press on its button asked for it
              autoFocus
              maxLength={80}
              value={name}
              onChange={(event) => setName(event.currentTarget.value)}
            />
          </label>
          <span className="flex gap-1">
            <button type="submit" className="act act-main">
              Keep it
            </button>
            <button type="button" className="act" onClick={() => setName(null)}>
              Not now
            </button>
          </span>
        </form>
      )}
      {said && (
        <p
          role={said.wrong ? 'alert' : 'status'}
          className={`leading-snug ${said.wrong ? 'text-finding' : 'text-ink-soft'}`}
        >
          {said.text}
        </p>
      )}
    </>
  );
}
