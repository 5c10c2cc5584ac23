-- What of a host's calendar takes them up, and where its days begin; empty for where the organisation is at home.
ALTER TABLE busy_calendar ADD COLUMN is_tentative_counted INTEGER NOT NULL DEFAULT 1 CHECK (is_tentative_counted IN (0, 1));
ALTER TABLE busy_calendar ADD COLUMN is_free_counted INTEGER NOT NULL DEFAULT 0 CHECK (is_free_counted IN (0, 1));
ALTER TABLE busy_calendar ADD COLUMN zone TEXT NOT NULL DEFAULT '';
