-- Blur is told from the width of a picture's sharpest edges: 0 has too few to tell, NULL is measured when there is time.
ALTER TABLE asset DROP COLUMN sharpness;
ALTER TABLE asset ADD COLUMN edge_px REAL;
CREATE INDEX asset_unmeasured ON asset (id) WHERE edge_px IS NULL;
ALTER TABLE edition DROP COLUMN sharpness;
ALTER TABLE edition ADD COLUMN edge_px REAL;
