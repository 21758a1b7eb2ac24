import pino from 'pino';

/** One line of JSON per event on standard error. ALCOVE_LOG sets the level. */
export const log = pino({ level: process.env.ALCOVE_LOG ?? 'info' }, pino.destination(2));
