-- Texts kept once and used by name in the words of messages: of the house, or of one host in its place.
CREATE TABLE named_text (
  id INTEGER PRIMARY KEY,
  -- 0 for the house.
  account_id INTEGER NOT NULL,
  name TEXT NOT NULL,
  body TEXT NOT NULL,
  UNIQUE (account_id, name)
) STRICT;
