import type { Tint } from '../../core/present/index.js';

/** Timber is tinted by what it is; see the tokens in `styles/app.css`. */
export const TINT_FILL: Readonly<Record<Tint, string>> = {
  case: 'var(--color-timber-case)',
  front: 'var(--color-timber-front)',
  back: 'var(--color-timber-back)',
  plinth: 'var(--color-timber-plinth)',
  shelf: 'var(--color-timber-shelf)',
  frame: 'var(--color-timber-frame)',
  box: 'var(--color-timber-box)',
  machining: 'var(--color-machining)',
  // Nothing to be seen, and yet there to be pressed.
  bay: 'transparent',
  void: 'none',
};
