-- Sets of pictures that stand on any number of pages.
CREATE TABLE arrangement (
    id         TEXT PRIMARY KEY,
    content    TEXT NOT NULL, -- JSON as Core writes it
    version    INTEGER NOT NULL DEFAULT 1,
    changed_at TEXT NOT NULL
) STRICT;
