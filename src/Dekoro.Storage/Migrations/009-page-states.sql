-- How pages stood before: each state with who kept it and when. What one person writes in one go is one state.
CREATE TABLE page_state (
    page_id  TEXT NOT NULL REFERENCES page (id) ON DELETE CASCADE,
    version  INTEGER NOT NULL, -- of the draft when it was last kept in this state
    title    TEXT NOT NULL,
    summary  TEXT NOT NULL,
    draft    TEXT NOT NULL,
    kept_by  TEXT NOT NULL,
    began_at TEXT NOT NULL,
    kept_at  TEXT NOT NULL,
    PRIMARY KEY (page_id, version)
) STRICT;
