-- What holds at the door of every session of an offering. The welcome stands on the page of whoever waits.
ALTER TABLE offering ADD COLUMN is_everyone_knocking INTEGER NOT NULL DEFAULT 0;
ALTER TABLE offering ADD COLUMN welcome TEXT NOT NULL DEFAULT '';

-- What the host says to all who wait at the door of one session.
CREATE TABLE door_note (
  session_id INTEGER PRIMARY KEY REFERENCES session (id) ON DELETE CASCADE,
  note TEXT NOT NULL,
  noted_at TEXT NOT NULL
) STRICT;

-- Why somebody is at the door: with a guest link, because everybody knocks, or with a personal link that somebody is inside with
-- already. Whoever goes in by a link of which no service reports is noted as let in.
ALTER TABLE arrival ADD COLUMN kind TEXT NOT NULL DEFAULT 'GUEST' CHECK (kind IN ('GUEST', 'KNOCKS', 'SECOND', 'LET_IN'));
CREATE INDEX arrival_inside ON arrival (session_id, registration_id) WHERE state = 'INSIDE';
CREATE INDEX connection_open ON connection (session_id, registration_id) WHERE left_at IS NULL;
