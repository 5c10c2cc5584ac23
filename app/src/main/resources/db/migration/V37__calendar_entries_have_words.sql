-- What entries in calendars say, where it is other than what ships: of the house (offering 0), or of one offering.
CREATE TABLE entry_wording (
  offering_id INTEGER PRIMARY KEY,
  title TEXT NOT NULL,
  description TEXT NOT NULL,
  host_title TEXT NOT NULL,
  -- Whether those who hold a seat get a request that their calendar program can answer.
  is_request INTEGER NOT NULL CHECK (is_request IN (0, 1))
) STRICT;
-- A message, those of one sending, or those of an offering that are held until somebody lets them go.
CREATE TABLE message_hold (
  id INTEGER PRIMARY KEY,
  -- One of these says what is held; the others are 0 or empty.
  message_id INTEGER NOT NULL,
  offering_id INTEGER NOT NULL,
  session_id INTEGER NOT NULL,
  anchor TEXT NOT NULL,
  amount INTEGER NOT NULL,
  unit TEXT NOT NULL,
  channel TEXT NOT NULL,
  held_at TEXT NOT NULL,
  held_by TEXT NOT NULL,
  UNIQUE (message_id, offering_id, session_id, anchor, amount, unit, channel)
) STRICT;
