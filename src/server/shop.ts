import { cautions } from '../core/present/index.js';
import type { Db } from './database.js';
import { Refusal } from './refusal.js';

/** Ids of the cautions this shop has dismissed. */
export function dismissedCautions(db: Db): string[] {
  return db
    .prepare<[], { id: string }>('SELECT id FROM dismissed_caution ORDER BY id')
    .all()
    .map(({ id }) => id);
}

/** Dismisses a caution for the whole shop, or lets it stand again. Refuses an id that is none. */
export function setDismissed(db: Db, id: string, dismissed: boolean): string[] {
  if (!cautions.some((caution) => caution.id === id))
    throw new Refusal(
      404,
      'no-such-caution',
      `There is no caution "${id}"; there are ${cautions.map((each) => each.id).join(', ')}.`,
    );
  if (dismissed)
    db.prepare('INSERT INTO dismissed_caution (id, dismissed_at) VALUES (?, ?) ON CONFLICT (id) DO NOTHING').run(
      id,
      new Date().toISOString(),
    );
  else db.prepare('DELETE FROM dismissed_caution WHERE id = ?').run(id);
  return dismissedCautions(db);
}
