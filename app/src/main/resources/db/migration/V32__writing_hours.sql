-- When people may be written to, on their own clock: of the house (offering 0), or of one offering.
CREATE TABLE writing_hours (
  offering_id INTEGER PRIMARY KEY,
  -- Both are null where there are no quiet hours.
  quiet_from TEXT,
  quiet_to TEXT,
  -- Days as numbers from Monday, 1, on; empty where messages may go on any day at any time.
  send_days TEXT NOT NULL,
  send_from TEXT,
  send_to TEXT,
  CHECK ((quiet_from IS NULL) = (quiet_to IS NULL)),
  CHECK ((send_days = '') = (send_from IS NULL) AND (send_from IS NULL) = (send_to IS NULL))
) STRICT;
