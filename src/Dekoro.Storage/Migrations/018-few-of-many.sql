-- What few rows of many have is asked for at every look at what publishing changes: without these all are read for it.
CREATE INDEX page_away ON page (away_since) WHERE away_since IS NOT NULL;
CREATE INDEX asset_with_address ON asset (id) WHERE own_address IS NOT NULL;
