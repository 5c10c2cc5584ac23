-- How long one person usually has with the host; 0 where there are no turns.
ALTER TABLE offering ADD COLUMN turn_minutes INTEGER NOT NULL DEFAULT 0;

-- One-to-one time within a session: whoever asked for it, in line, with the host, or done.
CREATE TABLE turn (
  id INTEGER PRIMARY KEY,
  session_id INTEGER NOT NULL REFERENCES session (id) ON DELETE CASCADE,
  registration_id INTEGER REFERENCES registration (id) ON DELETE CASCADE,
  arrival_id INTEGER REFERENCES arrival (id) ON DELETE CASCADE,
  name TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('WAITING', 'CALLED', 'DONE', 'GONE')),
  asked_at TEXT NOT NULL,
  out_at TEXT,
  began_at TEXT,
  ended_at TEXT,
  host TEXT NOT NULL DEFAULT '',
  note TEXT NOT NULL DEFAULT '',
  room TEXT NOT NULL DEFAULT '',
  CHECK (registration_id IS NOT NULL OR arrival_id IS NOT NULL)
) STRICT;
CREATE INDEX turn_line ON turn (session_id, state, asked_at);
CREATE UNIQUE INDEX turn_open_of_registration ON turn (session_id, registration_id)
  WHERE state IN ('WAITING', 'CALLED') AND registration_id IS NOT NULL;
CREATE UNIQUE INDEX turn_open_of_arrival ON turn (session_id, arrival_id)
  WHERE state IN ('WAITING', 'CALLED') AND arrival_id IS NOT NULL;
CREATE INDEX turn_of_registration ON turn (registration_id) WHERE registration_id IS NOT NULL;
CREATE INDEX turn_of_arrival ON turn (arrival_id) WHERE arrival_id IS NOT NULL;
