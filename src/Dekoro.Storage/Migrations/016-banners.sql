-- What stands at the top of pages on some days; the lowest position goes first.
CREATE TABLE banner (
    id         TEXT PRIMARY KEY,
    content    TEXT NOT NULL, -- JSON as Core writes it
    position   INTEGER NOT NULL DEFAULT 0,
    version    INTEGER NOT NULL DEFAULT 1,
    changed_at TEXT NOT NULL,
    away_since TEXT
) STRICT;

-- How banners stood before: each state with who kept it and when, as of pages.
CREATE TABLE banner_state (
    banner_id TEXT NOT NULL REFERENCES banner (id) ON DELETE CASCADE,
    version   INTEGER NOT NULL,
    content   TEXT NOT NULL,
    kept_by   TEXT NOT NULL,
    began_at  TEXT NOT NULL,
    kept_at   TEXT NOT NULL,
    PRIMARY KEY (banner_id, version)
) STRICT;
