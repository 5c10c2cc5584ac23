-- A message is known by its registration and its key: one index serves both what was two.
CREATE TABLE message_anew (
  id INTEGER PRIMARY KEY,
  registration_id INTEGER NOT NULL,
  message_key TEXT NOT NULL,
  session_id INTEGER NOT NULL,
  anchor TEXT NOT NULL,
  amount INTEGER NOT NULL,
  unit TEXT NOT NULL,
  recipient TEXT NOT NULL,
  subject TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('PLANNED', 'SENDING', 'SENT', 'FAILED', 'WITHDRAWN')),
  reason TEXT NOT NULL,
  attempts INTEGER NOT NULL,
  nominal_at TEXT NOT NULL,
  due_at TEXT NOT NULL,
  done_at TEXT,
  created_at TEXT NOT NULL,
  body TEXT NOT NULL DEFAULT '',
  change_id INTEGER,
  calendar TEXT NOT NULL DEFAULT '',
  claimed_until TEXT,
  template TEXT NOT NULL DEFAULT '',
  given TEXT NOT NULL DEFAULT '',
  UNIQUE (registration_id, message_key)
) STRICT;
INSERT INTO message_anew SELECT id, registration_id, message_key, session_id, anchor, amount, unit, recipient, subject, state, reason,
  attempts, nominal_at, due_at, done_at, created_at, body, change_id, calendar, claimed_until, template, given FROM message;
DROP TABLE message;
ALTER TABLE message_anew RENAME TO message;
CREATE INDEX message_due ON message (state, due_at);
CREATE INDEX message_by_session ON message (session_id, anchor, amount, unit, state);
CREATE INDEX message_by_change ON message (change_id) WHERE change_id IS NOT NULL;
