-- What a session promises is a time on a wall clock. Its instant is derived, with the zone data of a day; empty until the
-- program has written both down at its next start.
ALTER TABLE session ADD COLUMN wall_start TEXT NOT NULL DEFAULT '';
ALTER TABLE session ADD COLUMN zone_data TEXT NOT NULL DEFAULT '';

-- Sessions whose instant was derived anew because the clocks of their zone change otherwise than was known before.
CREATE TABLE clock_change (
  id INTEGER PRIMARY KEY,
  session_id INTEGER NOT NULL REFERENCES session (id) ON DELETE CASCADE,
  noted_at TEXT NOT NULL,
  was_at TEXT NOT NULL,
  is_at TEXT NOT NULL,
  people INTEGER NOT NULL CHECK (people >= 0)
) STRICT;
CREATE INDEX clock_change_by_time ON clock_change (noted_at);
CREATE INDEX clock_change_by_session ON clock_change (session_id);
