-- People pick a time of their own in open hours. The hours are kept as the text that reads back to them.
CREATE TABLE own_time (
  offering_id INTEGER PRIMARY KEY REFERENCES offering (id) ON DELETE CASCADE,
  hours TEXT NOT NULL,
  first_day TEXT,
  last_day TEXT,
  -- From one start to the next; null for one time after the other.
  grid_minutes INTEGER CHECK (grid_minutes BETWEEN 5 AND 1440),
  daily INTEGER CHECK (daily BETWEEN 1 AND 200),
  weekly INTEGER CHECK (weekly BETWEEN 1 AND 1000),
  host_choice TEXT NOT NULL CHECK (host_choice IN ('WHOEVER_IS_FREE', 'ATTENDEES_CHOICE', 'ALL_TOGETHER')),
  -- Whether people see what is taken, struck through.
  is_taken_shown INTEGER NOT NULL CHECK (is_taken_shown IN (0, 1))
) STRICT;

-- Blocks of one calendar that are not over are found without those of years ago.
CREATE INDEX busy_block_by_end ON busy_block (calendar_id, ends_at, starts_at);
