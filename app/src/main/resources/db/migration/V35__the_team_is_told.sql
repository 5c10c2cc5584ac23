-- To which number a member of the team gets texts; empty for none.
ALTER TABLE account ADD COLUMN phone TEXT NOT NULL DEFAULT '';
-- What members of the team are told of; of all offerings (0), or of one in its place.
CREATE TABLE telling (
  account_id INTEGER NOT NULL REFERENCES account (id) ON DELETE CASCADE,
  offering_id INTEGER NOT NULL,
  -- Each registration and cancellation as it happens.
  is_each INTEGER NOT NULL CHECK (is_each IN (0, 1)),
  -- All of a day at this hour, on the clock at home; null for not.
  daily_hour INTEGER CHECK (daily_hour BETWEEN 0 AND 23),
  -- When the last seat of a session goes.
  is_full INTEGER NOT NULL CHECK (is_full IN (0, 1)),
  -- When a session is short of its minimum on the day it is decided.
  is_short INTEGER NOT NULL CHECK (is_short IN (0, 1)),
  is_text INTEGER NOT NULL CHECK (is_text IN (0, 1)),
  PRIMARY KEY (account_id, offering_id)
) STRICT;
-- Whoever leads sessions and wants no sheet of the day in the morning.
CREATE TABLE no_day_sheet (
  account_id INTEGER PRIMARY KEY REFERENCES account (id) ON DELETE CASCADE
) STRICT;
-- Until when somebody was told the news of the day.
CREATE TABLE told_until (
  account_id INTEGER NOT NULL REFERENCES account (id) ON DELETE CASCADE,
  what TEXT NOT NULL,
  told_at TEXT NOT NULL,
  PRIMARY KEY (account_id, what)
) STRICT;
