-- What pictures look like: hashes of the whole and of views a little cut, and a copy at 64 px (WebP). No row: told when
-- there is time; no hashes: the look says too little. Pairs that were found before stay until then.
CREATE TABLE look (
    asset_id TEXT PRIMARY KEY REFERENCES asset (id) ON DELETE CASCADE,
    hashes   BLOB NOT NULL,
    copy     BLOB NOT NULL
) STRICT, WITHOUT ROWID;

-- Pairs of which somebody said that they are not the same picture, each once, the smaller id first.
CREATE TABLE not_twin (
    asset_id TEXT NOT NULL REFERENCES asset (id) ON DELETE CASCADE,
    other_id TEXT NOT NULL REFERENCES asset (id) ON DELETE CASCADE,
    PRIMARY KEY (asset_id, other_id)
) STRICT, WITHOUT ROWID;

DROP INDEX asset_untold;
ALTER TABLE asset DROP COLUMN look_waves;
ALTER TABLE asset DROP COLUMN look_mirrored;
ALTER TABLE asset DROP COLUMN look;
