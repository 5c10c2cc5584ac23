-- Since when no letter leaves, because somebody holds them all; no row while they leave.
CREATE TABLE outbox_hold (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  held_at TEXT NOT NULL,
  held_by TEXT NOT NULL
) STRICT;
