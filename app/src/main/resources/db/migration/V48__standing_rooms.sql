-- Rooms with an address that never changes. What is kept of a meeting where it is empty is as the room has it.
CREATE TABLE standing_room (
  id INTEGER PRIMARY KEY,
  slug TEXT NOT NULL UNIQUE,
  name TEXT NOT NULL,
  description TEXT NOT NULL,
  agenda TEXT NOT NULL,
  materials TEXT NOT NULL,
  door TEXT NOT NULL CHECK (door IN ('UNLOCKED', 'WITH_HOST', 'ASKED')),
  is_email_asked INTEGER NOT NULL,
  who_may_come TEXT NOT NULL,
  capacity INTEGER NOT NULL CHECK (capacity BETWEEN 2 AND 1000),
  shown TEXT NOT NULL,
  afterwards TEXT NOT NULL CHECK (afterwards IN ('NOTHING', 'NOTES', 'NOTES_AND_MATERIALS')),
  is_everybodys INTEGER NOT NULL,
  account_id INTEGER NOT NULL REFERENCES account (id),
  is_retired INTEGER NOT NULL DEFAULT 0
) STRICT;
CREATE INDEX standing_room_of_account ON standing_room (account_id);

-- Hosts of choice that a room is shared with.
CREATE TABLE standing_room_host (
  room_id INTEGER NOT NULL REFERENCES standing_room (id) ON DELETE CASCADE,
  account_id INTEGER NOT NULL REFERENCES account (id) ON DELETE CASCADE,
  PRIMARY KEY (room_id, account_id)
) STRICT;
CREATE INDEX standing_room_host_of_account ON standing_room_host (account_id);

-- A meeting is over some minutes after emptied_at, unless somebody comes back.
CREATE TABLE room_meeting (
  id INTEGER PRIMARY KEY,
  room_id INTEGER NOT NULL REFERENCES standing_room (id) ON DELETE CASCADE,
  started_at TEXT NOT NULL,
  emptied_at TEXT,
  ended_at TEXT,
  meeting_place TEXT NOT NULL DEFAULT '',
  door TEXT CHECK (door IN ('UNLOCKED', 'WITH_HOST', 'ASKED')),
  agenda TEXT,
  is_email_asked INTEGER,
  notes TEXT NOT NULL DEFAULT ''
) STRICT;
CREATE UNIQUE INDEX room_meeting_open ON room_meeting (room_id) WHERE ended_at IS NULL;
CREATE INDEX room_meeting_of_room ON room_meeting (room_id, started_at);
CREATE INDEX room_meeting_emptied ON room_meeting (emptied_at) WHERE ended_at IS NULL;

-- Somebody who came to a room: before a meeting, then in one.
CREATE TABLE room_visit (
  id INTEGER PRIMARY KEY,
  room_id INTEGER NOT NULL REFERENCES standing_room (id) ON DELETE CASCADE,
  meeting_id INTEGER REFERENCES room_meeting (id) ON DELETE CASCADE,
  account_id INTEGER REFERENCES account (id) ON DELETE SET NULL,
  generation INTEGER NOT NULL,
  name TEXT NOT NULL,
  email TEXT NOT NULL,
  says TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('WAITING', 'ASKED_TO_WAIT', 'INSIDE', 'TURNED_AWAY', 'BARRED')),
  word TEXT NOT NULL DEFAULT '',
  settled_by TEXT NOT NULL DEFAULT '',
  arrived_at TEXT NOT NULL,
  seen_at TEXT NOT NULL,
  entered_at TEXT
) STRICT;
CREATE INDEX room_visit_at_door ON room_visit (room_id, state, arrived_at);
CREATE INDEX room_visit_of_meeting ON room_visit (meeting_id);
CREATE INDEX room_visit_of_account ON room_visit (account_id) WHERE account_id IS NOT NULL;
CREATE INDEX room_visit_of_address ON room_visit (email) WHERE email <> '';

-- What the meeting service reports: somebody was inside from then to then.
CREATE TABLE room_stay (
  stay TEXT PRIMARY KEY,
  visit_id INTEGER NOT NULL REFERENCES room_visit (id) ON DELETE CASCADE,
  joined_at TEXT NOT NULL,
  left_at TEXT
) STRICT;
CREATE INDEX room_stay_of_visit ON room_stay (visit_id);
