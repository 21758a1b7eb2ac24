-- Each save carries an id of its own: one whose answer was lost is recognised when it comes again.
ALTER TABLE revision ADD COLUMN save_id TEXT;
CREATE UNIQUE INDEX revision_save ON revision (job_id, save_id) WHERE save_id IS NOT NULL;
