-- What a picture looks like (a difference hash, and that of its mirror image); NULL where it was never worked out.
ALTER TABLE asset ADD COLUMN look INTEGER;
ALTER TABLE asset ADD COLUMN look_mirrored INTEGER;

-- Pictures that look the same, each pair both ways.
CREATE TABLE twin (
    asset_id TEXT NOT NULL REFERENCES asset (id) ON DELETE CASCADE,
    other_id TEXT NOT NULL REFERENCES asset (id) ON DELETE CASCADE,
    PRIMARY KEY (asset_id, other_id)
) STRICT, WITHOUT ROWID;

-- Since when a picture is taken away; NULL while it is in the library. It waits, then goes for good.
ALTER TABLE asset ADD COLUMN away_since TEXT;
CREATE INDEX asset_away ON asset (away_since) WHERE away_since IS NOT NULL;
