-- Cabinets the shop starts others from: each as a job file of one cabinet, so that it comes forward like any job.
CREATE TABLE start (
  id        TEXT PRIMARY KEY,
  name      TEXT NOT NULL,
  document  TEXT NOT NULL,
  summary   TEXT NOT NULL,
  saved_at  TEXT NOT NULL
) STRICT, WITHOUT ROWID;
