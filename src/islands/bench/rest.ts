/**
 * What stands on the bench beside the drawing: it comes right after the sheet was drawn, all of it at once, and is there
 * from then on, also when the server is away.
 */
export { SidesDialog } from '../openJob/saving/SidesDialog.js';
export { Decisions } from './decisions/Decisions.js';
export { Exports } from './Exports.js';
export { FindDialog } from './find/FindDialog.js';
export { CautionsPanel } from './inspector/CautionsPanel.js';
export { CorrectionsPanel } from './inspector/CorrectionsPanel.js';
export { CutSheetsPanel } from './inspector/CutSheetsPanel.js';
export { FindingsPanel } from './inspector/FindingsPanel.js';
export { panels } from './inspector/panels.js';
export { KeysDialog } from './KeysDialog.js';
export { LibraryDialog } from './LibraryDialog.js';
export { PartsTable } from './parts/PartsTable.js';
export { Steps } from './parts/Steps.js';
export { StandingDialog } from './StandingDialog.js';
export { StartDialog } from './StartDialog.js';
export { LayersMenu } from './sheet/LayersMenu.js';
export { OpeningMenu } from './sheet/OpeningMenu.js';
export { Zooming } from './sheet/Zooming.js';
