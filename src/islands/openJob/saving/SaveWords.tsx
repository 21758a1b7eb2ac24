import type { SaveStatus } from './answers.js';
import type { RefusedStep } from './unsent.js';

/** What the save is doing, in a word, and what to do where it waits for somebody. */
export function SaveWord({ status: { state, inBrowser, renewed } }: { status: SaveStatus }) {
  if (state.kind === 'failed')
    return (
      <span role="alert" className="font-semibold text-finding" data-save={state.kind}>
        Not saved: {state.message}
      </span>
    );
  if (state.kind === 'locked')
    return (
      <span role="alert" className="font-semibold text-finding" data-save={state.kind}>
        Not saved: the access of this window has ended. {where(inBrowser)}{' '}
        <a className="underline" href={doorTo(window.location)}>
          Give the code
        </a>
      </span>
    );
  if (state.kind === 'outdated')
    return (
      <span role="alert" className="font-semibold text-finding" data-save={state.kind}>
        Not saved: Alcove was renewed while this page was open. {where(inBrowser)} <Reload />
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
    <>
      <span className="shrink-0 text-ink-soft" data-save={state.kind}>
        {words[state.kind]}
        {!inBrowser && ' (this browser keeps nothing unsaved)'}
      </span>
      {renewed && (
        <span role="status" className="shrink-0">
          Alcove was renewed. <Reload />
        </span>
      )}
    </>
  );
}

const where = (inBrowser: boolean) =>
  inBrowser ? 'What you did is kept in this browser.' : 'This browser keeps nothing: leave the page open.';

/** The door, and back to this page. */
const doorTo = ({ pathname, search }: Location) => `/enter?to=${encodeURIComponent(pathname + search)}`;

function Reload() {
  return (
    <button type="button" className="min-h-7 font-semibold underline" onClick={() => window.location.reload()}>
      Load the page again
    </button>
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
