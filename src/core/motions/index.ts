export type { Motion, Room, Turn } from './motion.js';
export { contactsOf, type FrontObstacle, fixedTo, frontRooms, obstaclesOf } from './surroundings.js';
export { type PlanObstacle, type SwingContact, swingContact } from './swing.js';
export { doorAt, type PlanDoor, type PlanPoint, stopSwing, turned } from './turning.js';
