-- Whether no times of a host are offered while one of their calendars that counts cannot be read for an hour.
ALTER TABLE own_time ADD COLUMN is_stopped_unread INTEGER NOT NULL DEFAULT 0 CHECK (is_stopped_unread IN (0, 1));
