import type { SaveState } from './answers.js';
import type { RefusedStep } from './unsent.js';

/** What the save is doing, in a word. */
export function SaveWord({ state, inBrowser }: { state: SaveState; inBrowser: boolean }) {
  if (state.kind === 'failed')
    return (
      <span role="alert" className="font-semibold text-finding">
        Not saved: {state.message}
      </span>
    );
  if (state.kind === 'kept')
    return (
      <span role="status" className="font-semibold" data-save={state.kind} title={state.message}>
        {inBrowser
          ? 'Kept in this browser until the server is back'
          : 'Not saved: the server does not answer, and this browser keeps nothing. Leave the page open.'}
      </span>
    );
  const words = { saved: 'Saved', pending: 'Saving…', sides: 'Not saved' } as const;
  return (
    <span className="shrink-0 text-ink-soft" data-save={state.kind}>
      {words[state.kind]}
      {!inBrowser && ' (this browser keeps nothing unsaved)'}
    </span>
  );
}

/** Steps the server refused for good, each by its name: tried again, or let go. */
export function RefusedSteps({
  steps,
  onSettle,
}: {
  steps: readonly RefusedStep[];
  onSettle: (step: RefusedStep, again: boolean) => void;
}) {
  return (
    <ul aria-label="Steps set aside">
      {steps.map((step) => (
        <li
          key={step.save.id}
          role="alert"
          className="flex flex-wrap items-center gap-3 bg-finding-pale px-3 py-1 text-finding"
        >
          <span>
            <span className="font-semibold">Set aside: {step.save.label}.</span> {step.why}
          </span>
          <button type="button" className="act" onClick={() => onSettle(step, true)}>
            Try it again
          </button>
          <button type="button" className="act" onClick={() => onSettle(step, false)}>
            Let it go
          </button>
        </li>
      ))}
    </ul>
  );
}
