export { cautions, cautionsFor, type StandingCaution, type WorkStep } from './cautions.js';
