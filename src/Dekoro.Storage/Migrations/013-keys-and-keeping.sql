-- The index of words refers to pictures by number: a number of their own, which no tidying up of the file gives anew.
DROP TRIGGER asset_words_in;
DROP TRIGGER asset_words_out;
DROP TRIGGER asset_words_changed;
DROP TABLE asset_words;

CREATE TABLE asset_with_key (
    key             INTEGER PRIMARY KEY,
    id              TEXT NOT NULL UNIQUE,
    sha256          TEXT NOT NULL UNIQUE,  -- of the file as it was given
    kept_sha256     TEXT NOT NULL,         -- of the file as it is kept (an SVG is cleaned)
    file_name       TEXT NOT NULL,
    format          TEXT NOT NULL,
    bytes           INTEGER NOT NULL CHECK (bytes > 0),
    width           INTEGER NOT NULL CHECK (width > 0),
    height          INTEGER NOT NULL CHECK (height > 0),
    frames          INTEGER NOT NULL CHECK (frames > 0),
    has_alpha       INTEGER NOT NULL,
    colour          TEXT NOT NULL,
    bytes_beta      REAL NOT NULL,
    bytes_gamma     REAL NOT NULL,
    sharpness       REAL NOT NULL,
    keep_x          REAL,
    keep_y          REAL,
    keep_w          REAL,
    keep_h          REAL,
    keep_by         TEXT NOT NULL DEFAULT 'guess' CHECK (keep_by IN ('guess', 'hand')),
    title           TEXT NOT NULL DEFAULT '',
    alt             TEXT NOT NULL DEFAULT '',
    caption         TEXT NOT NULL DEFAULT '',
    description     TEXT NOT NULL DEFAULT '',
    credit          TEXT NOT NULL DEFAULT '',
    rights          TEXT NOT NULL DEFAULT '',
    folder          TEXT NOT NULL DEFAULT '',
    taken_on        TEXT,
    added_at        TEXT NOT NULL,
    version         INTEGER NOT NULL DEFAULT 1,
    source          TEXT NOT NULL DEFAULT '',
    original_width  INTEGER NOT NULL DEFAULT 0,
    original_height INTEGER NOT NULL DEFAULT 0,
    edits           TEXT NOT NULL DEFAULT '',       -- of the version in use
    edition         INTEGER NOT NULL DEFAULT 0,     -- its number; 0 is the original
    look            INTEGER,
    look_mirrored   INTEGER,
    away_since      TEXT,
    keywords        TEXT NOT NULL DEFAULT '',
    added_by        TEXT NOT NULL DEFAULT '',
    colours         TEXT,
    no_title        INTEGER NOT NULL DEFAULT 0,
    own             TEXT NOT NULL DEFAULT '{}',
    own_address     TEXT
) STRICT;

INSERT INTO asset_with_key (
    key, id, sha256, kept_sha256, file_name, format, bytes, width, height, frames, has_alpha, colour, bytes_beta, bytes_gamma, sharpness,
    keep_x, keep_y, keep_w, keep_h, keep_by, title, alt, caption, description, credit, rights, folder, taken_on, added_at, version, source,
    original_width, original_height, edits, edition, look, look_mirrored, away_since, keywords, added_by, colours, no_title, own, own_address)
SELECT
    rowid, id, sha256, kept_sha256, file_name, format, bytes, width, height, frames, has_alpha, colour, bytes_beta, bytes_gamma, sharpness,
    keep_x, keep_y, keep_w, keep_h, keep_by, title, alt, caption, description, credit, rights, folder, taken_on, added_at, version, source,
    original_width, original_height, edits, edition, look, look_mirrored, away_since, keywords, added_by, colours, no_title, own, own_address
FROM asset;

DROP TABLE asset;
ALTER TABLE asset_with_key RENAME TO asset;
CREATE INDEX asset_added ON asset (added_at DESC, id);
CREATE INDEX asset_kept ON asset (kept_sha256);
CREATE INDEX asset_away ON asset (away_since) WHERE away_since IS NOT NULL;
CREATE UNIQUE INDEX asset_own_address ON asset (own_address);

CREATE VIRTUAL TABLE asset_words USING fts5 (
    title, alt, caption, description, credit, folder, keywords, own, file_name,
    content = 'asset', content_rowid = 'key', prefix = '2 3', tokenize = "unicode61 remove_diacritics 2"
);
INSERT INTO asset_words (asset_words) VALUES ('rebuild');

CREATE TRIGGER asset_words_in AFTER INSERT ON asset BEGIN
    INSERT INTO asset_words (rowid, title, alt, caption, description, credit, folder, keywords, own, file_name)
    VALUES (new.key, new.title, new.alt, new.caption, new.description, new.credit, new.folder, new.keywords, new.own, new.file_name);
END;

CREATE TRIGGER asset_words_out AFTER DELETE ON asset BEGIN
    INSERT INTO asset_words (asset_words, rowid, title, alt, caption, description, credit, folder, keywords, own, file_name)
    VALUES ('delete', old.key, old.title, old.alt, old.caption, old.description, old.credit, old.folder, old.keywords, old.own, old.file_name);
END;

CREATE TRIGGER asset_words_changed AFTER UPDATE OF title, alt, caption, description, credit, folder, keywords, own, file_name ON asset BEGIN
    INSERT INTO asset_words (asset_words, rowid, title, alt, caption, description, credit, folder, keywords, own, file_name)
    VALUES ('delete', old.key, old.title, old.alt, old.caption, old.description, old.credit, old.folder, old.keywords, old.own, old.file_name);
    INSERT INTO asset_words (rowid, title, alt, caption, description, credit, folder, keywords, own, file_name)
    VALUES (new.key, new.title, new.alt, new.caption, new.description, new.credit, new.folder, new.keywords, new.own, new.file_name);
END;

-- So that two people's changes of one setting are told apart.
ALTER TABLE setting ADD COLUMN version INTEGER NOT NULL DEFAULT 1;

-- Since when an arrangement is taken away; NULL while it is there. It waits, then goes for good.
ALTER TABLE arrangement ADD COLUMN away_since TEXT;

-- What long work has come to; the end is written down too, so that a restart can say it.
CREATE TABLE job (
    id         TEXT PRIMARY KEY,
    state      TEXT NOT NULL CHECK (state IN ('running', 'done', 'failed')),
    progress   TEXT NOT NULL,   -- JSON: done, of, sentence
    result     TEXT,            -- JSON; NULL until it is done
    began_at   TEXT NOT NULL,
    changed_at TEXT NOT NULL
) STRICT;

-- Files that were made of pictures: how long each is and what its content hashes to, and the last day on which something asked for it.
CREATE TABLE made_file (
    name     TEXT PRIMARY KEY,
    bytes    INTEGER NOT NULL CHECK (bytes > 0),
    sha256   TEXT NOT NULL,
    asked_on TEXT NOT NULL
) STRICT, WITHOUT ROWID;
CREATE INDEX made_file_asked ON made_file (asked_on);
