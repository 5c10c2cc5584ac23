-- Ways in for those who lead a session, which are never a guest's. Without an account it is somebody from outside who speaks.
-- A code is good once, until the moment that stands here.
CREATE TABLE leader (
  id INTEGER PRIMARY KEY,
  session_id INTEGER NOT NULL REFERENCES session (id) ON DELETE CASCADE,
  account_id INTEGER REFERENCES account (id) ON DELETE CASCADE,
  role TEXT NOT NULL CHECK (role IN ('HOST', 'PRODUCER', 'PRESENTER')),
  name TEXT NOT NULL,
  email TEXT NOT NULL,
  generation INTEGER NOT NULL,
  code_until TEXT
) STRICT;
CREATE INDEX leader_of_session ON leader (session_id);
CREATE INDEX leader_of_account ON leader (account_id) WHERE account_id IS NOT NULL;
CREATE UNIQUE INDEX leader_once ON leader (session_id, email);
