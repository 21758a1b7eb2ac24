-- What the shop has decided for every job on this server.
CREATE TABLE dismissed_caution (
  id            TEXT PRIMARY KEY,
  dismissed_at  TEXT NOT NULL
) STRICT, WITHOUT ROWID;
