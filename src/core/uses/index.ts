export { type Behind, decisionsBehind, numberLike, type User, usersOf } from './uses.js';
