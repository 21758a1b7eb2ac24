/** What the person at the terminal did wrong, in one sentence. Ends the program with code 2. */
export class Misuse extends Error {}

/** What is wrong with a packing problem or how it is to be laid out, in one sentence. Ends the program with code 1. */
export class BadProblem extends Error {}
