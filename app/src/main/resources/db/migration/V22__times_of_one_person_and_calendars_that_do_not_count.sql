-- How many times to come one person may hold.
ALTER TABLE own_time ADD COLUMN each_person INTEGER NOT NULL DEFAULT 1 CHECK (each_person BETWEEN 1 AND 100);

-- Calendars of hosts that do not count for an offering; all others do.
CREATE TABLE ignored_calendar (
  offering_id INTEGER NOT NULL REFERENCES offering (id) ON DELETE CASCADE,
  calendar_id INTEGER NOT NULL REFERENCES busy_calendar (id) ON DELETE CASCADE,
  PRIMARY KEY (offering_id, calendar_id)
) STRICT, WITHOUT ROWID;
