export { GROUPS, shoppingList, type ToBuy } from './list.js';
