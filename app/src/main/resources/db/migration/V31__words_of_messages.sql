-- What messages say, where it is other than what ships with the program. Every version is kept; the latest counts.
CREATE TABLE wording (
  id INTEGER PRIMARY KEY,
  anchor TEXT NOT NULL,
  -- 0 for the words of the house.
  offering_id INTEGER NOT NULL,
  subject TEXT NOT NULL,
  preheader TEXT NOT NULL,
  -- Empty where words were taken back: then those of the house count, or those that ship.
  body TEXT NOT NULL,
  made_at TEXT NOT NULL,
  made_by TEXT NOT NULL
) STRICT;
CREATE INDEX wording_by_message ON wording (offering_id, anchor, id);
