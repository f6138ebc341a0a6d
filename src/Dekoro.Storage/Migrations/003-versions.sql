-- What a picture is made of: its original never changes; a version is a list of edits over it, and one is in use everywhere.
ALTER TABLE asset ADD COLUMN original_width INTEGER NOT NULL DEFAULT 0;
ALTER TABLE asset ADD COLUMN original_height INTEGER NOT NULL DEFAULT 0;
ALTER TABLE asset ADD COLUMN edits TEXT NOT NULL DEFAULT '';       -- of the version in use
ALTER TABLE asset ADD COLUMN edition INTEGER NOT NULL DEFAULT 0;   -- its number; 0 is the original
UPDATE asset SET original_width = width, original_height = height;

CREATE TABLE edition (
    asset_id    TEXT NOT NULL REFERENCES asset (id) ON DELETE CASCADE,
    number      INTEGER NOT NULL CHECK (number >= 0),
    edits       TEXT NOT NULL,
    width       INTEGER NOT NULL CHECK (width > 0),
    height      INTEGER NOT NULL CHECK (height > 0),
    bytes_beta  REAL NOT NULL,
    bytes_gamma REAL NOT NULL,
    sharpness   REAL NOT NULL,
    keep_x      REAL,
    keep_y      REAL,
    keep_w      REAL,
    keep_h      REAL,
    keep_by     TEXT NOT NULL CHECK (keep_by IN ('guess', 'hand')),
    made_at     TEXT NOT NULL,
    PRIMARY KEY (asset_id, number)
) STRICT, WITHOUT ROWID;
