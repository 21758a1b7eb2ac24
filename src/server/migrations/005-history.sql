-- House standards and hardware libraries are large and the same in many states: each is kept once, by what it says.
CREATE TABLE content (
  hash  TEXT PRIMARY KEY,
  text  TEXT NOT NULL
) STRICT, WITHOUT ROWID;

-- NULL while they still lie in the head, as they did before.
ALTER TABLE job ADD COLUMN house TEXT REFERENCES content (hash);
ALTER TABLE job ADD COLUMN hardware TEXT REFERENCES content (hash);

-- A whole state of a job now and then: any other is a snapshot and the edits after it.
CREATE TABLE snapshot (
  job_id    TEXT NOT NULL REFERENCES job (id) ON DELETE CASCADE,
  version   INTEGER NOT NULL,
  head      TEXT NOT NULL,
  house     TEXT NOT NULL REFERENCES content (hash),
  hardware  TEXT NOT NULL REFERENCES content (hash),
  cabinets  TEXT NOT NULL,
  PRIMARY KEY (job_id, version)
) STRICT, WITHOUT ROWID;
CREATE INDEX snapshot_house ON snapshot (house);
CREATE INDEX snapshot_hardware ON snapshot (hardware);
CREATE INDEX job_house ON job (house);
CREATE INDEX job_hardware ON job (hardware);

-- Which database this is, and how often a copy of it was brought back.
CREATE TABLE identity (
  only      INTEGER PRIMARY KEY CHECK (only = 1),
  database  TEXT NOT NULL,
  epoch     TEXT NOT NULL
) STRICT;
INSERT INTO identity VALUES (1, lower(hex(randomblob(8))), lower(hex(randomblob(8))));

-- What a cabinet came to last stays in the list until it is figured again, away from the save.
ALTER TABLE cabinet ADD COLUMN stale INTEGER NOT NULL DEFAULT 1;
UPDATE cabinet SET stale = 0 WHERE summary IS NOT NULL;
CREATE INDEX cabinet_stale ON cabinet (job_id) WHERE stale = 1;
