-- Keep areas that an earlier version guessed: 1 is guessed anew when there is time. What was drawn by hand stays.
ALTER TABLE asset ADD COLUMN keep_asked INTEGER NOT NULL DEFAULT 0;
UPDATE asset SET keep_asked = 1 WHERE keep_by = 'guess';
CREATE INDEX asset_keep_asked ON asset (id) WHERE keep_asked = 1;
