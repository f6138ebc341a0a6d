-- More to find a picture by: keywords, who added it, the colours it shows (names with spaces round them; NULL where never told),
-- and whether its title says nothing, which is told once when words change and not at every search.
ALTER TABLE asset ADD COLUMN keywords TEXT NOT NULL DEFAULT '';
ALTER TABLE asset ADD COLUMN added_by TEXT NOT NULL DEFAULT '';
ALTER TABLE asset ADD COLUMN colours TEXT;
ALTER TABLE asset ADD COLUMN no_title INTEGER NOT NULL DEFAULT 0;
UPDATE asset SET no_title = says_nothing(title);

CREATE TABLE kept_search (
    name TEXT PRIMARY KEY COLLATE NOCASE,
    line TEXT NOT NULL
) STRICT, WITHOUT ROWID;

DROP TRIGGER asset_words_in;
DROP TRIGGER asset_words_out;
DROP TRIGGER asset_words_changed;
DROP TABLE asset_words;

CREATE VIRTUAL TABLE asset_words USING fts5 (
    title, alt, caption, description, credit, folder, keywords, file_name,
    content = 'asset', content_rowid = 'rowid', prefix = '2 3', tokenize = "unicode61 remove_diacritics 2"
);
INSERT INTO asset_words (asset_words) VALUES ('rebuild');

CREATE TRIGGER asset_words_in AFTER INSERT ON asset BEGIN
    INSERT INTO asset_words (rowid, title, alt, caption, description, credit, folder, keywords, file_name)
    VALUES (new.rowid, new.title, new.alt, new.caption, new.description, new.credit, new.folder, new.keywords, new.file_name);
END;

CREATE TRIGGER asset_words_out AFTER DELETE ON asset BEGIN
    INSERT INTO asset_words (asset_words, rowid, title, alt, caption, description, credit, folder, keywords, file_name)
    VALUES ('delete', old.rowid, old.title, old.alt, old.caption, old.description, old.credit, old.folder, old.keywords, old.file_name);
END;

CREATE TRIGGER asset_words_changed AFTER UPDATE OF title, alt, caption, description, credit, folder, keywords, file_name ON asset BEGIN
    INSERT INTO asset_words (asset_words, rowid, title, alt, caption, description, credit, folder, keywords, file_name)
    VALUES ('delete', old.rowid, old.title, old.alt, old.caption, old.description, old.credit, old.folder, old.keywords, old.file_name);
    INSERT INTO asset_words (rowid, title, alt, caption, description, credit, folder, keywords, file_name)
    VALUES (new.rowid, new.title, new.alt, new.caption, new.description, new.credit, new.folder, new.keywords, new.file_name);
END;
