/**
 * Present: how a cabinet is shown: views as data and in ink, the picture in the round, results as plain data, the cautions that
 * stand. Comes in: a solved cabinet or job. Goes out: drawings, scenes and data for screens, papers and files. Knows:
 * everything before it; no screen.
 */
export * from './cautions/index.js';
export * from './ink/index.js';
export * from './picture/index.js';
export * from './results/index.js';
export * from './views/index.js';
