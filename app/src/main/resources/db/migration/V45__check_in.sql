-- Somebody of a party was ticked off at the entrance, or the tick was taken back. Each tick is made once, with a key of its own, and
-- counts once however often a device sends it; of each person the latest holds.
CREATE TABLE check_in (
  id INTEGER PRIMARY KEY,
  tick_key TEXT NOT NULL UNIQUE,
  session_id INTEGER NOT NULL REFERENCES session (id) ON DELETE CASCADE,
  registration_id INTEGER NOT NULL REFERENCES registration (id) ON DELETE CASCADE,
  place INTEGER NOT NULL,
  is_in INTEGER NOT NULL,
  made_at TEXT NOT NULL,
  taken_at TEXT NOT NULL,
  made_by TEXT NOT NULL
) STRICT;
CREATE INDEX check_in_of_session ON check_in (session_id, registration_id);
CREATE INDEX check_in_of_registration ON check_in (registration_id);
