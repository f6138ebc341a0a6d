-- Where a picture came from: a mail, an address, an archive's entry; empty for a file of one's own.
ALTER TABLE asset ADD COLUMN source TEXT NOT NULL DEFAULT '';
