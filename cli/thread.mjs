// The thread in which sheets are laid out for the terminal.
import { register } from 'tsx/esm/api';

register();
await import('./thread.ts');
