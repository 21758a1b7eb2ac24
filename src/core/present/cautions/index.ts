export { cautions, cautionsFor, type StandingCaution, type Step } from './cautions.js';
