-- Jobs, their cabinets, and what every save changed.
CREATE TABLE job (
  id          TEXT PRIMARY KEY,
  name        TEXT NOT NULL,
  -- What a list shows of the document, so that it need not read it.
  unit        TEXT NOT NULL,
  -- Counts saves. A write names the version it edits.
  version     INTEGER NOT NULL,
  -- The job document without its cabinets, as JSON.
  head        TEXT NOT NULL,
  created_at  TEXT NOT NULL,
  updated_at  TEXT NOT NULL,
  -- Set while the job lies in the bin.
  deleted_at  TEXT
) STRICT;

CREATE INDEX job_by_update ON job (deleted_at, updated_at DESC);

CREATE TABLE cabinet (
  job_id    TEXT NOT NULL REFERENCES job (id) ON DELETE CASCADE,
  id        TEXT NOT NULL,
  position  INTEGER NOT NULL,
  document  TEXT NOT NULL,
  -- Small elevation and counts of findings, computed; NULL when a change outside the cabinet made them stale.
  summary   TEXT,
  stops     INTEGER,
  warnings  INTEGER,
  PRIMARY KEY (job_id, id)
) STRICT, WITHOUT ROWID;

CREATE INDEX cabinet_in_order ON cabinet (job_id, position);

CREATE TABLE revision (
  job_id    TEXT NOT NULL REFERENCES job (id) ON DELETE CASCADE,
  version   INTEGER NOT NULL,
  label     TEXT NOT NULL,
  saved_at  TEXT NOT NULL,
  -- The rows as saved: { head?, cabinets?, removed?, order? }.
  change    TEXT NOT NULL,
  PRIMARY KEY (job_id, version)
) STRICT, WITHOUT ROWID;
