export * from './acts/index.js';
export * from './changes/index.js';
export * from './corrections/index.js';
export * from './dependents/index.js';
export * from './find/index.js';
export * from './handling/index.js';
