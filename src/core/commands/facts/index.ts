export { type Absorber, type Absorbing, absorbers, type NotAbsorbing } from './absorbers.js';
