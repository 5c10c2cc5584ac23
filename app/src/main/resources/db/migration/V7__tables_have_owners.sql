-- Each table is written by one part of the program only.

-- Up to when the organiser of an offering has been told of answers.
CREATE TABLE digest (
  offering_id INTEGER PRIMARY KEY REFERENCES offering (id) ON DELETE CASCADE,
  told_at TEXT NOT NULL
) STRICT;
INSERT INTO digest (offering_id, told_at) SELECT id, told_at FROM offering WHERE told_at IS NOT NULL;
ALTER TABLE offering DROP COLUMN told_at;

-- What was changed goes with the offering it was changed of.
CREATE TRIGGER change_goes_with_its_offering BEFORE DELETE ON offering BEGIN
  DELETE FROM change WHERE offering_id = OLD.id;
END;
