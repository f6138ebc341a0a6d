-- Files that are no pictures: kept, found, linked.
CREATE TABLE download (
    id              TEXT PRIMARY KEY,
    sha256          TEXT NOT NULL UNIQUE,
    file_name       TEXT NOT NULL,
    kind            TEXT NOT NULL,
    media_type      TEXT NOT NULL,
    ending          TEXT NOT NULL,
    bytes           INTEGER NOT NULL CHECK (bytes > 0),
    title           TEXT NOT NULL,
    description     TEXT NOT NULL DEFAULT '',
    folder          TEXT NOT NULL DEFAULT '',
    has_own_address INTEGER NOT NULL DEFAULT 0,
    added_at        TEXT NOT NULL,
    added_by        TEXT NOT NULL DEFAULT '',
    version         INTEGER NOT NULL DEFAULT 1,
    away_since      TEXT
) STRICT;
