-- A message in a worker's hands is its own until a time; then anybody may take it up.
ALTER TABLE message ADD COLUMN claimed_until TEXT;

-- Written by whoever asks whether the program is well.
CREATE TABLE pulse (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  beaten_at TEXT NOT NULL
) STRICT;
