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

-- Times from other calendars lie in years that can be read back; what does not is taken away and counted.
INSERT INTO mending (what, row_count) SELECT 'busy times of other calendars that cannot be: taken away', n
  FROM (SELECT count(*) AS n FROM busy_block WHERE starts_at < '1900' OR ends_at >= '2300' OR ends_at <= starts_at
    OR length(starts_at) <> 24 OR length(ends_at) <> 24 OR starts_at GLOB '*[^-0-9:.TZ]*' OR ends_at GLOB '*[^-0-9:.TZ]*')
  WHERE n > 0;
CREATE TABLE busy_block_before AS SELECT * FROM busy_block WHERE starts_at >= '1900' AND ends_at < '2300'
  AND ends_at > starts_at AND length(starts_at) = 24 AND length(ends_at) = 24
  AND starts_at NOT GLOB '*[^-0-9:.TZ]*' AND ends_at NOT GLOB '*[^-0-9:.TZ]*';
DROP TABLE busy_block;
CREATE TABLE busy_block (
  calendar_id INTEGER NOT NULL REFERENCES busy_calendar (id) ON DELETE CASCADE,
  starts_at TEXT NOT NULL CHECK (length(starts_at) = 24 AND starts_at >= '1900'),
  ends_at TEXT NOT NULL CHECK (length(ends_at) = 24 AND ends_at < '2300' AND ends_at > starts_at),
  PRIMARY KEY (calendar_id, starts_at, ends_at)
) STRICT, WITHOUT ROWID;
INSERT INTO busy_block SELECT calendar_id, starts_at, ends_at FROM busy_block_before;
DROP TABLE busy_block_before;
