-- Words under the site's own columns, as JSON by name; and the address that a picture has on the public site where no page need show it.
ALTER TABLE asset ADD COLUMN own TEXT NOT NULL DEFAULT '{}';
ALTER TABLE asset ADD COLUMN own_address TEXT;
CREATE UNIQUE INDEX asset_own_address ON asset (own_address);

DROP TRIGGER asset_words_in;
DROP TRIGGER asset_words_out;
DROP TRIGGER asset_words_changed;
DROP TABLE asset_words;

CREATE VIRTUAL TABLE asset_words USING fts5 (
    title, alt, caption, description, credit, folder, keywords, own, file_name,
    content = 'asset', content_rowid = 'rowid', prefix = '2 3', tokenize = "unicode61 remove_diacritics 2"
);
INSERT INTO asset_words (asset_words) VALUES ('rebuild');

CREATE TRIGGER asset_words_in AFTER INSERT ON asset BEGIN
    INSERT INTO asset_words (rowid, title, alt, caption, description, credit, folder, keywords, own, file_name)
    VALUES (new.rowid, new.title, new.alt, new.caption, new.description, new.credit, new.folder, new.keywords, new.own, new.file_name);
END;

CREATE TRIGGER asset_words_out AFTER DELETE ON asset BEGIN
    INSERT INTO asset_words (asset_words, rowid, title, alt, caption, description, credit, folder, keywords, own, file_name)
    VALUES ('delete', old.rowid, old.title, old.alt, old.caption, old.description, old.credit, old.folder, old.keywords, old.own, old.file_name);
END;

CREATE TRIGGER asset_words_changed AFTER UPDATE OF title, alt, caption, description, credit, folder, keywords, own, file_name ON asset BEGIN
    INSERT INTO asset_words (asset_words, rowid, title, alt, caption, description, credit, folder, keywords, own, file_name)
    VALUES ('delete', old.rowid, old.title, old.alt, old.caption, old.description, old.credit, old.folder, old.keywords, old.own, old.file_name);
    INSERT INTO asset_words (rowid, title, alt, caption, description, credit, folder, keywords, own, file_name)
    VALUES (new.rowid, new.title, new.alt, new.caption, new.description, new.credit, new.folder, new.keywords, new.own, new.file_name);
END;
