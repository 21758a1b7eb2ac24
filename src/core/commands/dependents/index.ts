export { addressOf, type NumberAddress, numberAt } from './address.js';
export { type Behind, decisionsBehind, type User, usersOf } from './dependents.js';
