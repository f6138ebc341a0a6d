-- The second of two ways in which a look is told; NULL is told when there is time, 0 says that the look says too little.
ALTER TABLE asset ADD COLUMN look_waves INTEGER;
CREATE INDEX asset_untold ON asset (id) WHERE look_waves IS NULL;
