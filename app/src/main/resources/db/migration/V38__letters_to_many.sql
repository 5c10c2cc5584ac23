-- A letter to many people at once.
CREATE TABLE mailing (
  id INTEGER PRIMARY KEY,
  subject TEXT NOT NULL,
  -- To whom, in words.
  whom TEXT NOT NULL,
  due_at TEXT NOT NULL,
  made_at TEXT NOT NULL,
  made_by TEXT NOT NULL
) STRICT;
CREATE TABLE mailing_file (
  id INTEGER PRIMARY KEY,
  mailing_id INTEGER NOT NULL REFERENCES mailing (id) ON DELETE CASCADE,
  name TEXT NOT NULL,
  type TEXT NOT NULL,
  content BLOB NOT NULL
) STRICT;
CREATE INDEX mailing_file_by_mailing ON mailing_file (mailing_id);
ALTER TABLE message ADD COLUMN mailing_id INTEGER;
CREATE INDEX message_by_mailing ON message (mailing_id, state) WHERE mailing_id IS NOT NULL;
