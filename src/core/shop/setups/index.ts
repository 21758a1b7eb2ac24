export { fencesSet, isNarrowRip, type SetUp, type SetUpPiece, setUpsOf } from './setups.js';
export { type Station, type StationId, stations } from './stations.js';
