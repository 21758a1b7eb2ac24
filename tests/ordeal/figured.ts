/** The proofs of the ordeal that only figure, run as the server's threads run: built, with their room for what is new. */
import { readOddDocuments, solveTheLargest } from './documents.js';

const [what, count] = process.argv.slice(2);
console.log(JSON.stringify(what === 'largest' ? solveTheLargest() : readOddDocuments(Number(count))));
