-- When somebody opened the door of a session by hand, before its time; and when it closes, where somebody has said so.
ALTER TABLE session ADD COLUMN door_opened_at TEXT;
ALTER TABLE session ADD COLUMN door_closes_at TEXT;

-- Whether a second room opens when the first is full, its name at the meeting service, and who is in it.
ALTER TABLE offering ADD COLUMN is_second_room INTEGER NOT NULL DEFAULT 0;
CREATE TABLE second_room (
  session_id INTEGER PRIMARY KEY REFERENCES session (id) ON DELETE CASCADE,
  meeting_place TEXT NOT NULL
) STRICT;
CREATE TABLE second_room_person (
  session_id INTEGER NOT NULL REFERENCES session (id) ON DELETE CASCADE,
  registration_id INTEGER REFERENCES registration (id) ON DELETE CASCADE,
  arrival_id INTEGER REFERENCES arrival (id) ON DELETE CASCADE,
  CHECK ((registration_id IS NULL) <> (arrival_id IS NULL))
) STRICT;
CREATE UNIQUE INDEX second_room_of_registration ON second_room_person (session_id, registration_id) WHERE registration_id IS NOT NULL;
CREATE UNIQUE INDEX second_room_of_arrival ON second_room_person (session_id, arrival_id) WHERE arrival_id IS NOT NULL;
CREATE INDEX second_room_registration ON second_room_person (registration_id) WHERE registration_id IS NOT NULL;
CREATE INDEX second_room_arrival ON second_room_person (arrival_id) WHERE arrival_id IS NOT NULL;
