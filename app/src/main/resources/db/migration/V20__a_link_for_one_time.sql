-- A link that gives one person one time, whether the offering is listed or not.
CREATE TABLE time_link (
  id INTEGER PRIMARY KEY,
  generation INTEGER NOT NULL,
  offering_id INTEGER NOT NULL REFERENCES offering (id) ON DELETE CASCADE,
  -- Whom it is for, as a reminder to the team.
  label TEXT NOT NULL,
  account_id INTEGER REFERENCES account (id) ON DELETE SET NULL,
  first_day TEXT,
  last_day TEXT,
  created_at TEXT NOT NULL,
  -- The registration that was made with it; null while it is good.
  registration_id INTEGER,
  is_revoked INTEGER NOT NULL DEFAULT 0 CHECK (is_revoked IN (0, 1))
) STRICT;
CREATE INDEX time_link_by_offering ON time_link (offering_id, id);
