-- Addresses that pages had on the public site before: they lead on to where the page is now.
CREATE TABLE old_address (
    path TEXT PRIMARY KEY,
    page_id TEXT NOT NULL REFERENCES page (id) ON DELETE CASCADE
) STRICT;
