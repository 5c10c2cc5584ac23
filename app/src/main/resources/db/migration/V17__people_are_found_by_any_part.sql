-- Any three letters in a row of what a search compares. Filled behind the writes, so that registering does not wait for it:
-- people with a higher number than the last one here are not in it yet.
CREATE VIRTUAL TABLE person_part USING fts5 (folded, tokenize = 'trigram case_sensitive 1');
INSERT INTO person_part (rowid, folded) SELECT id, folded FROM person ORDER BY id;

-- Whoever is in it is found by what is true now.
CREATE TRIGGER person_part_changed AFTER UPDATE OF folded ON person WHEN old.folded <> new.folded
BEGIN
  UPDATE person_part SET folded = new.folded WHERE rowid = old.id;
END;
CREATE TRIGGER person_part_removed AFTER DELETE ON person
BEGIN
  DELETE FROM person_part WHERE rowid = old.id;
END;
