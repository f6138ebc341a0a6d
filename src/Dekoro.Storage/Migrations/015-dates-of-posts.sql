-- The day that visitors read beside a post, as yyyy-mm-dd; NULL for none.
ALTER TABLE page ADD COLUMN dated TEXT;
