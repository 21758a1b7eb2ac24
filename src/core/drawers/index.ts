export { type DrawerBox, drawerBoxes } from './sideMount.js';
