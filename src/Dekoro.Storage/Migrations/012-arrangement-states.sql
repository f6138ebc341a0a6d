-- How arrangements stood before: each state with who kept it and when, as of pages.
CREATE TABLE arrangement_state (
    arrangement_id TEXT NOT NULL REFERENCES arrangement (id) ON DELETE CASCADE,
    version        INTEGER NOT NULL,
    content        TEXT NOT NULL,
    kept_by        TEXT NOT NULL,
    began_at       TEXT NOT NULL,
    kept_at        TEXT NOT NULL,
    PRIMARY KEY (arrangement_id, version)
) STRICT;
