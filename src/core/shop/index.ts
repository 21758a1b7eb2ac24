/**
 * Shop: from parts to the saw: sheets, set-ups, labels, what to buy, costs. Comes in: solved cabinets, and what is in
 * stock. Goes out: layouts, lists and their arithmetic. Knows: everything before it but views.
 */
export * from './buying/index.js';
export * from './costs/index.js';
export * from './labels/index.js';
export * from './setups/index.js';
export * from './sheets/index.js';
