-- Mail that came, and what was made of it.
CREATE TABLE mail_received (
  id INTEGER PRIMARY KEY,
  mail_key TEXT NOT NULL UNIQUE,
  sender TEXT NOT NULL,
  subject TEXT NOT NULL,
  body TEXT NOT NULL,
  -- 0 where it is not known whom it is from, or what it answers.
  registration_id INTEGER NOT NULL,
  person_id INTEGER NOT NULL,
  outcome TEXT NOT NULL,
  -- Whether somebody has to read it, as nothing could be made of it.
  is_open INTEGER NOT NULL CHECK (is_open IN (0, 1)),
  received_at TEXT NOT NULL
) STRICT;
CREATE INDEX mail_received_by_person ON mail_received (person_id, received_at);
CREATE INDEX mail_received_open ON mail_received (received_at) WHERE is_open = 1;
-- Addresses from which mail came back.
CREATE TABLE bounced_address (
  email TEXT PRIMARY KEY,
  why TEXT NOT NULL,
  since_at TEXT NOT NULL
) STRICT;
-- Mail to the organiser, as long as no mail server is configured.
CREATE TABLE inbox_mail (
  id INTEGER PRIMARY KEY,
  source BLOB NOT NULL,
  is_taken INTEGER NOT NULL CHECK (is_taken IN (0, 1)),
  arrived_at TEXT NOT NULL
) STRICT;
CREATE INDEX inbox_mail_new ON inbox_mail (id) WHERE is_taken = 0;
