// npm run access-code: makes a new access code for a shop that asks for one; npm run access-code -- CODE takes one that
// was chosen. Everybody who has come in has to give it anew.
import { setCode } from '../src/host/code.js';
import { SettingError } from '../src/host/settings.js';
import { dataFolder } from '../src/server/folder.js';

const [chosen] = process.argv.slice(2);
try {
  console.log(`The access code is now ${await setCode(dataFolder(), chosen)}. It is shown this once.`);
} catch (error) {
  if (!(error instanceof SettingError)) throw error;
  console.error(error.message);
  process.exitCode = 1;
}
