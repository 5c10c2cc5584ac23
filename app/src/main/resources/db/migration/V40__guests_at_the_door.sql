-- A link for whoever has it: to one session, or to an offering and then to whichever session's door is open.
CREATE TABLE guest_link (
  id INTEGER PRIMARY KEY,
  offering_id INTEGER NOT NULL REFERENCES offering (id) ON DELETE CASCADE,
  session_id INTEGER REFERENCES session (id) ON DELETE CASCADE,
  generation INTEGER NOT NULL,
  is_email_asked INTEGER NOT NULL DEFAULT 0,
  made_at TEXT NOT NULL
) STRICT;
CREATE UNIQUE INDEX guest_link_of_session ON guest_link (session_id) WHERE session_id IS NOT NULL;
CREATE UNIQUE INDEX guest_link_of_offering ON guest_link (offering_id) WHERE session_id IS NULL;

-- Somebody who came to the door of a session without being expected. The visit is the stay that the meeting service reports.
CREATE TABLE arrival (
  id INTEGER PRIMARY KEY,
  session_id INTEGER NOT NULL REFERENCES session (id) ON DELETE CASCADE,
  registration_id INTEGER REFERENCES registration (id) ON DELETE SET NULL,
  generation INTEGER NOT NULL,
  name TEXT NOT NULL,
  email TEXT NOT NULL,
  says TEXT NOT NULL,
  state TEXT NOT NULL,
  word TEXT NOT NULL DEFAULT '',
  arrived_at TEXT NOT NULL,
  settled_at TEXT,
  settled_by TEXT NOT NULL DEFAULT '',
  visit TEXT,
  left_at TEXT
) STRICT;
CREATE INDEX arrival_at_door ON arrival (session_id, state, arrived_at);
CREATE INDEX arrival_of_registration ON arrival (registration_id) WHERE registration_id IS NOT NULL;
CREATE UNIQUE INDEX arrival_of_visit ON arrival (visit) WHERE visit IS NOT NULL;
