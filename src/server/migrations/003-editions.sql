-- What each cabinet came to when it was last figured. As large as the cabinet itself and seldom asked for: in a table of
-- its own, so that lists do not read over it.
CREATE TABLE built (
  job_id      TEXT NOT NULL,
  cabinet_id  TEXT NOT NULL,
  -- The edition of the rules by which it was last figured.
  edition     INTEGER NOT NULL,
  -- NULL until it is figured again.
  parts       TEXT,
  -- What corrected rules changed in it, kept to compare: { edition, before, after }; before is null where it was not kept.
  corrected   TEXT,
  PRIMARY KEY (job_id, cabinet_id),
  FOREIGN KEY (job_id, cabinet_id) REFERENCES cabinet (job_id, id) ON DELETE CASCADE
) STRICT, WITHOUT ROWID;
INSERT INTO built (job_id, cabinet_id, edition) SELECT job_id, id, 1 FROM cabinet;
-- Counting cabinets and findings of every job reads this alone.
CREATE INDEX cabinet_counts ON cabinet (job_id, stops, warnings);
-- The edition whose corrections somebody has looked at.
ALTER TABLE job ADD COLUMN seen_edition INTEGER NOT NULL DEFAULT 1;
-- Lists count findings by the rules of today.
UPDATE cabinet SET summary = NULL;
