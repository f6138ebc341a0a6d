-- Since when a page is taken away; NULL while it is there. It waits, then goes for good.
ALTER TABLE page ADD COLUMN away_since TEXT;
