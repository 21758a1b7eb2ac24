export * from './buying/index.js';
export * from './costs/index.js';
export * from './labels/index.js';
export * from './setups/index.js';
export * from './sheets/index.js';
