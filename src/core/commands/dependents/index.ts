export { type Behind, decisionsBehind, numberLike, type User, usersOf } from './dependents.js';
