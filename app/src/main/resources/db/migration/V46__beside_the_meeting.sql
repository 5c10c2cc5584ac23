-- What stands on the page beside a meeting.
CREATE TABLE live_session (
  session_id INTEGER PRIMARY KEY REFERENCES session (id) ON DELETE CASCADE,
  questions TEXT NOT NULL CHECK (questions IN ('OFF', 'OPEN', 'CHECKED')),
  agenda_now TEXT NOT NULL DEFAULT ''
) STRICT;

-- Links to what belongs to a session; they open at once, with the start, or after it.
CREATE TABLE material (
  id INTEGER PRIMARY KEY,
  session_id INTEGER NOT NULL REFERENCES session (id) ON DELETE CASCADE,
  title TEXT NOT NULL,
  address TEXT NOT NULL,
  opens TEXT NOT NULL CHECK (opens IN ('AT_ONCE', 'FROM_START', 'AFTER'))
) STRICT;
CREATE INDEX material_of_session ON material (session_id);

-- Questions to the host. Whoever asks or seconds is r and the registration, or a and the arrival.
CREATE TABLE live_question (
  id INTEGER PRIMARY KEY,
  session_id INTEGER NOT NULL REFERENCES session (id) ON DELETE CASCADE,
  asker TEXT NOT NULL,
  name TEXT NOT NULL,
  words TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('HIDDEN', 'SHOWN', 'ANSWERED', 'REMOVED')),
  asked_at TEXT NOT NULL
) STRICT;
CREATE INDEX live_question_of_session ON live_question (session_id, state);
CREATE TABLE live_second (
  id INTEGER PRIMARY KEY,
  question_id INTEGER NOT NULL REFERENCES live_question (id) ON DELETE CASCADE,
  seconder TEXT NOT NULL,
  UNIQUE (question_id, seconder)
) STRICT;

-- A show of hands, or a short poll.
CREATE TABLE live_poll (
  id INTEGER PRIMARY KEY,
  session_id INTEGER NOT NULL REFERENCES session (id) ON DELETE CASCADE,
  words TEXT NOT NULL,
  choices TEXT NOT NULL,
  is_open INTEGER NOT NULL,
  asked_at TEXT NOT NULL
) STRICT;
CREATE INDEX live_poll_of_session ON live_poll (session_id);
CREATE TABLE live_vote (
  id INTEGER PRIMARY KEY,
  poll_id INTEGER NOT NULL REFERENCES live_poll (id) ON DELETE CASCADE,
  voter TEXT NOT NULL,
  choice INTEGER NOT NULL,
  UNIQUE (poll_id, voter)
) STRICT;
