-- Pictures that are handed to the archive: one row for each that somebody asked for.
-- words: the description as it was last seen or sent; object: its address in the archive, once it has one.
CREATE TABLE deposit (
    asset_id  TEXT PRIMARY KEY REFERENCES asset (id) ON DELETE CASCADE,
    state     TEXT NOT NULL CHECK (state IN ('waiting', 'handed', 'refused')),
    asked_by  TEXT NOT NULL,
    asked_at  TEXT NOT NULL,
    next_at   TEXT NOT NULL,
    tries     INTEGER NOT NULL,
    sentence  TEXT NOT NULL,
    service   TEXT NOT NULL,
    object    TEXT NOT NULL,
    words     TEXT NOT NULL,
    handed_at TEXT
) STRICT, WITHOUT ROWID;

CREATE INDEX deposit_next ON deposit (state, next_at);
