-- What was written since when: each page, picture, arrangement, banner and other file with the number of its last change,
-- so that whoever holds what was read reads again what changed, and nothing else. A table that is rebuilt loses its
-- triggers, and gets them anew.
CREATE TABLE touched (
    number INTEGER PRIMARY KEY AUTOINCREMENT,
    kind   TEXT NOT NULL,
    id     TEXT NOT NULL,
    UNIQUE (kind, id)
) STRICT;

CREATE TRIGGER page_touched_by_insert AFTER INSERT ON page BEGIN
    INSERT OR REPLACE INTO touched (kind, id) VALUES ('page', NEW.id);
END;

CREATE TRIGGER page_touched_by_update AFTER UPDATE ON page BEGIN
    INSERT OR REPLACE INTO touched (kind, id) VALUES ('page', NEW.id);
END;

CREATE TRIGGER page_touched_by_delete AFTER DELETE ON page BEGIN
    INSERT OR REPLACE INTO touched (kind, id) VALUES ('page', OLD.id);
END;

CREATE TRIGGER asset_touched_by_insert AFTER INSERT ON asset BEGIN
    INSERT OR REPLACE INTO touched (kind, id) VALUES ('asset', NEW.id);
END;

CREATE TRIGGER asset_touched_by_update AFTER UPDATE ON asset BEGIN
    INSERT OR REPLACE INTO touched (kind, id) VALUES ('asset', NEW.id);
END;

CREATE TRIGGER asset_touched_by_delete AFTER DELETE ON asset BEGIN
    INSERT OR REPLACE INTO touched (kind, id) VALUES ('asset', OLD.id);
END;

CREATE TRIGGER arrangement_touched_by_insert AFTER INSERT ON arrangement BEGIN
    INSERT OR REPLACE INTO touched (kind, id) VALUES ('arrangement', NEW.id);
END;

CREATE TRIGGER arrangement_touched_by_update AFTER UPDATE ON arrangement BEGIN
    INSERT OR REPLACE INTO touched (kind, id) VALUES ('arrangement', NEW.id);
END;

CREATE TRIGGER arrangement_touched_by_delete AFTER DELETE ON arrangement BEGIN
    INSERT OR REPLACE INTO touched (kind, id) VALUES ('arrangement', OLD.id);
END;

CREATE TRIGGER banner_touched_by_insert AFTER INSERT ON banner BEGIN
    INSERT OR REPLACE INTO touched (kind, id) VALUES ('banner', NEW.id);
END;

CREATE TRIGGER banner_touched_by_update AFTER UPDATE ON banner BEGIN
    INSERT OR REPLACE INTO touched (kind, id) VALUES ('banner', NEW.id);
END;

CREATE TRIGGER banner_touched_by_delete AFTER DELETE ON banner BEGIN
    INSERT OR REPLACE INTO touched (kind, id) VALUES ('banner', OLD.id);
END;

CREATE TRIGGER download_touched_by_insert AFTER INSERT ON download BEGIN
    INSERT OR REPLACE INTO touched (kind, id) VALUES ('download', NEW.id);
END;

CREATE TRIGGER download_touched_by_update AFTER UPDATE ON download BEGIN
    INSERT OR REPLACE INTO touched (kind, id) VALUES ('download', NEW.id);
END;

CREATE TRIGGER download_touched_by_delete AFTER DELETE ON download BEGIN
    INSERT OR REPLACE INTO touched (kind, id) VALUES ('download', OLD.id);
END;
