// npm run access-code: makes a new access code for a shop that is open to the network; npm run access-code -- CODE takes
// one that was chosen. Everybody who has come in has to give it anew.
import { mkdirSync } from 'node:fs';
import { setCode } from '../src/host/access.js';
import { dataFolder } from '../src/server/database.js';

/** Shorter codes are guessed. */
const SHORTEST = 8;

const [chosen] = process.argv.slice(2);
if (chosen !== undefined && chosen.length < SHORTEST) {
  console.error(`An access code should have at least ${SHORTEST} characters.`);
  process.exitCode = 1;
} else {
  mkdirSync(dataFolder(), { recursive: true, mode: 0o700 });
  console.log(`The access code is now ${setCode(dataFolder(), chosen)}. It is shown this once.`);
}
