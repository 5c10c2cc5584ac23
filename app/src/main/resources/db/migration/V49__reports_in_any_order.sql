-- When what the meeting service reported last of a guest was true; what comes late and was true before changes nothing.
ALTER TABLE arrival ADD COLUMN reported_at TEXT;
