import { editsBetween, saidInShort } from '../../../core/commands/index.js';
import { type Job, newId } from '../../../core/decisions/index.js';
import { JOB_VERSION } from '../../../core/solve/index.js';
import type { Save } from './unsent.js';

/** As long as the server takes it. */
const LONGEST_LABEL = 200;

/** On which state of the stored job a save is made. */
type Base = Pick<Save, 'version' | 'epoch'>;

/**
 * Saves as they are made up to be sent. The same between two documents has the same id when it is asked for again: what
 * lies on the shelf is what is sent, so that a page that goes while it sends leaves nothing the server would not know again.
 */
export class Drafts {
  private last: { readonly before: Job; readonly after: Job; readonly save: Save } | undefined;

  /** What is to be saved between two documents; undefined where they say the same. */
  between(before: Job, after: Job, { version, epoch }: Base): Save | undefined {
    const { last } = this;
    const same = last?.before === before && last.after === after;
    if (same && last.save.version === version && last.save.epoch === epoch) return last.save;
    const edits = editsBetween(before, after);
    if (edits.length === 0) return undefined;
    const label = saidInShort(edits, before, after).slice(0, LONGEST_LABEL);
    const save: Save = { id: newId('save'), version, epoch, format: JOB_VERSION, label, edits };
    this.last = { before, after, save };
    return save;
  }

  /** A save that changes nothing, for what only goes into the history. */
  empty({ version, epoch }: Base): Save {
    return { id: newId('save'), version, epoch, format: JOB_VERSION, label: 'Gave way to another window', edits: [] };
  }
}
