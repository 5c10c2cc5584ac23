-- A plan of the house is kept once and followed by many offerings.
CREATE TABLE house_plan (
  id INTEGER PRIMARY KEY,
  name TEXT NOT NULL UNIQUE COLLATE NOCASE
) STRICT;
CREATE TABLE house_plan_line (
  id INTEGER PRIMARY KEY,
  plan_id INTEGER NOT NULL REFERENCES house_plan (id) ON DELETE CASCADE,
  anchor TEXT NOT NULL,
  amount INTEGER NOT NULL CHECK (amount >= 0),
  unit TEXT NOT NULL CHECK (unit IN ('MINUTES', 'HOURS', 'DAYS', 'WEEKS')),
  UNIQUE (plan_id, anchor, amount, unit)
) STRICT;
CREATE TABLE followed_plan (
  offering_id INTEGER PRIMARY KEY REFERENCES offering (id) ON DELETE CASCADE,
  plan_id INTEGER NOT NULL REFERENCES house_plan (id)
) STRICT;
CREATE INDEX followed_plan_by_plan ON followed_plan (plan_id);
-- A line of an offering's own that is off, or one of the house plan that does not count for it.
ALTER TABLE plan_line ADD COLUMN is_off INTEGER NOT NULL DEFAULT 0 CHECK (is_off IN (0, 1));
