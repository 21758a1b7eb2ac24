-- Pieces that are cut already and that a cabinet, as it is now, wants otherwise: figured with it.
ALTER TABLE cabinet ADD COLUMN amiss INTEGER NOT NULL DEFAULT 0;
-- Those of cabinets that are gone.
ALTER TABLE job ADD COLUMN amiss INTEGER NOT NULL DEFAULT 0;
DROP INDEX cabinet_counts;
CREATE INDEX cabinet_counts ON cabinet (job_id, stops, warnings, amiss);
UPDATE cabinet SET stale = 1 WHERE job_id IN (SELECT id FROM job WHERE head LIKE '%"cut":true%');
