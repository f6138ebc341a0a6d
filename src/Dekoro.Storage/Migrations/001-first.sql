CREATE TABLE asset (
    id          TEXT PRIMARY KEY,
    sha256      TEXT NOT NULL UNIQUE,  -- of the file as it was given
    kept_sha256 TEXT NOT NULL,         -- of the file as it is kept (an SVG is cleaned)
    file_name   TEXT NOT NULL,
    format      TEXT NOT NULL,
    bytes       INTEGER NOT NULL CHECK (bytes > 0),
    width       INTEGER NOT NULL CHECK (width > 0),
    height      INTEGER NOT NULL CHECK (height > 0),
    frames      INTEGER NOT NULL CHECK (frames > 0),
    has_alpha   INTEGER NOT NULL,
    colour      TEXT NOT NULL,
    bytes_beta  REAL NOT NULL,
    bytes_gamma REAL NOT NULL,
    sharpness   REAL NOT NULL,
    keep_x      REAL,
    keep_y      REAL,
    keep_w      REAL,
    keep_h      REAL,
    keep_by     TEXT NOT NULL DEFAULT 'guess' CHECK (keep_by IN ('guess', 'hand')),
    title       TEXT NOT NULL DEFAULT '',
    alt         TEXT NOT NULL DEFAULT '',
    caption     TEXT NOT NULL DEFAULT '',
    description TEXT NOT NULL DEFAULT '',
    credit      TEXT NOT NULL DEFAULT '',
    rights      TEXT NOT NULL DEFAULT '',
    folder      TEXT NOT NULL DEFAULT '',
    taken_on    TEXT,
    added_at    TEXT NOT NULL,
    version     INTEGER NOT NULL DEFAULT 1
) STRICT;

CREATE INDEX asset_added ON asset (added_at DESC, id);

CREATE VIRTUAL TABLE asset_words USING fts5 (
    title, alt, caption, description, credit, folder, file_name,
    content = 'asset', content_rowid = 'rowid', prefix = '2 3', tokenize = "unicode61 remove_diacritics 2"
);

CREATE TRIGGER asset_words_in AFTER INSERT ON asset BEGIN
    INSERT INTO asset_words (rowid, title, alt, caption, description, credit, folder, file_name)
    VALUES (new.rowid, new.title, new.alt, new.caption, new.description, new.credit, new.folder, new.file_name);
END;

CREATE TRIGGER asset_words_out AFTER DELETE ON asset BEGIN
    INSERT INTO asset_words (asset_words, rowid, title, alt, caption, description, credit, folder, file_name)
    VALUES ('delete', old.rowid, old.title, old.alt, old.caption, old.description, old.credit, old.folder, old.file_name);
END;

CREATE TRIGGER asset_words_changed AFTER UPDATE ON asset BEGIN
    INSERT INTO asset_words (asset_words, rowid, title, alt, caption, description, credit, folder, file_name)
    VALUES ('delete', old.rowid, old.title, old.alt, old.caption, old.description, old.credit, old.folder, old.file_name);
    INSERT INTO asset_words (rowid, title, alt, caption, description, credit, folder, file_name)
    VALUES (new.rowid, new.title, new.alt, new.caption, new.description, new.credit, new.folder, new.file_name);
END;

CREATE TABLE page (
    id               TEXT PRIMARY KEY,
    kind             TEXT NOT NULL CHECK (kind IN ('page', 'post')),
    title            TEXT NOT NULL,
    path             TEXT NOT NULL UNIQUE,
    summary          TEXT NOT NULL DEFAULT '',
    position         INTEGER NOT NULL,
    is_on            INTEGER NOT NULL DEFAULT 1,
    draft            TEXT NOT NULL,   -- the document, as Core writes it
    version          INTEGER NOT NULL DEFAULT 1,
    changed_at       TEXT NOT NULL,
    published        TEXT,            -- what the public site was last made from; NULL: never
    published_at     TEXT
) STRICT;

CREATE TABLE setting (
    name  TEXT PRIMARY KEY,
    value TEXT NOT NULL
) STRICT;

-- Every output file that some plan has asked for; what is not here is not made.
CREATE TABLE rendition (
    name     TEXT PRIMARY KEY,
    asset_id TEXT NOT NULL REFERENCES asset (id) ON DELETE CASCADE,
    spec     TEXT NOT NULL
) STRICT, WITHOUT ROWID;

CREATE TABLE release (
    id           INTEGER PRIMARY KEY,
    folder       TEXT NOT NULL,
    published_at TEXT NOT NULL,
    files        INTEGER NOT NULL,
    bytes        INTEGER NOT NULL
) STRICT;
