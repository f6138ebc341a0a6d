-- The last drafts of each page as they were sent, to see what a later one changed: for patches, and for joining two people's changes.
CREATE TABLE sent_draft (
    page_id TEXT NOT NULL REFERENCES page (id) ON DELETE CASCADE,
    version INTEGER NOT NULL,
    body    TEXT NOT NULL, -- JSON with title, path, summary and document
    PRIMARY KEY (page_id, version)
) STRICT;
