export * from './cautions/index.js';
export * from './picture/index.js';
export * from './results/index.js';
export * from './views/index.js';
