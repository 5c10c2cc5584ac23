-- Instants are fixed-width UTC text ("2027-03-10T13:40:00.000Z"), so that text order is time order.

CREATE TABLE organisation (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  name TEXT NOT NULL,
  home_zone TEXT NOT NULL,
  region TEXT NOT NULL,
  contact_email TEXT NOT NULL,
  colour TEXT NOT NULL,
  welcome_text TEXT NOT NULL,
  link_secret BLOB NOT NULL,
  created_at TEXT NOT NULL
) STRICT;

CREATE TABLE account (
  id INTEGER PRIMARY KEY,
  email TEXT NOT NULL UNIQUE,
  name TEXT NOT NULL,
  role TEXT NOT NULL CHECK (role IN ('ORGANISER', 'HOST', 'HELPER')),
  password_hash TEXT NOT NULL,
  created_at TEXT NOT NULL
) STRICT;

CREATE TABLE venue (
  id INTEGER PRIMARY KEY,
  name TEXT NOT NULL UNIQUE,
  kind TEXT NOT NULL CHECK (kind IN ('PLACE', 'FIXED_LINK', 'MADE_LINK')),
  address TEXT NOT NULL,
  access_note TEXT NOT NULL,
  link TEXT NOT NULL,
  room_size INTEGER CHECK (room_size > 0)
) STRICT;

CREATE TABLE offering (
  id INTEGER PRIMARY KEY,
  slug TEXT NOT NULL UNIQUE,
  title TEXT NOT NULL,
  summary TEXT NOT NULL,
  description TEXT NOT NULL,
  bring TEXT NOT NULL,
  format TEXT NOT NULL CHECK (format IN ('IN_PERSON', 'ONLINE')),
  venue_id INTEGER REFERENCES venue (id),
  host_name TEXT NOT NULL,
  zone TEXT NOT NULL,
  minutes INTEGER NOT NULL CHECK (minutes BETWEEN 1 AND 44640),
  seats INTEGER NOT NULL CHECK (seats BETWEEN 0 AND 100000),
  waitlist_allowed INTEGER NOT NULL CHECK (waitlist_allowed IN (0, 1)),
  largest_party INTEGER NOT NULL CHECK (largest_party BETWEEN 1 AND 20),
  cutoff_minutes INTEGER NOT NULL CHECK (cutoff_minutes >= 0),
  door_minutes INTEGER NOT NULL CHECK (door_minutes >= 0),
  overrun_minutes INTEGER NOT NULL CHECK (overrun_minutes >= 0),
  status TEXT NOT NULL CHECK (status IN ('DRAFT', 'PUBLISHED', 'CLOSED')),
  version INTEGER NOT NULL,
  created_at TEXT NOT NULL
) STRICT;

CREATE TABLE question (
  id INTEGER PRIMARY KEY,
  offering_id INTEGER NOT NULL REFERENCES offering (id),
  key TEXT NOT NULL,
  place INTEGER NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('SHORT_TEXT', 'LONG_TEXT', 'CHOOSE_ONE', 'YES_NO', 'AGREEMENT')),
  label TEXT NOT NULL,
  help TEXT NOT NULL,
  required INTEGER NOT NULL CHECK (required IN (0, 1)),
  options TEXT NOT NULL,
  UNIQUE (offering_id, key)
) STRICT;

CREATE TABLE session (
  id INTEGER PRIMARY KEY,
  offering_id INTEGER NOT NULL REFERENCES offering (id),
  starts_at TEXT NOT NULL,
  ends_at TEXT NOT NULL,
  zone TEXT NOT NULL,
  seats INTEGER NOT NULL CHECK (seats BETWEEN 0 AND 100000),
  kept_back INTEGER NOT NULL CHECK (kept_back BETWEEN 0 AND seats),
  status TEXT NOT NULL CHECK (status IN ('OPEN', 'CANCELLED')),
  meeting_room TEXT,
  sequence INTEGER NOT NULL,
  created_at TEXT NOT NULL
) STRICT;
CREATE INDEX session_by_start ON session (starts_at);
CREATE INDEX session_by_offering ON session (offering_id, starts_at);

CREATE TABLE person (
  id INTEGER PRIMARY KEY,
  email TEXT NOT NULL UNIQUE,
  name TEXT NOT NULL,
  phone TEXT NOT NULL,
  zone TEXT NOT NULL,
  created_at TEXT NOT NULL
) STRICT;
CREATE INDEX person_by_name ON person (name, id);

-- Within a session the order of ids is the order of the waitlist.
CREATE TABLE registration (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  session_id INTEGER NOT NULL REFERENCES session (id),
  person_id INTEGER NOT NULL REFERENCES person (id),
  state TEXT NOT NULL CHECK (state IN
    ('UNCONFIRMED', 'REGISTERED', 'MAYBE', 'DECLINED', 'WAITLISTED', 'CALLED_UP', 'CANCELLED')),
  party INTEGER NOT NULL CHECK (party BETWEEN 1 AND 100),
  passed_over INTEGER NOT NULL CHECK (passed_over BETWEEN 0 AND 2),
  generation INTEGER NOT NULL,
  name TEXT NOT NULL,
  zone TEXT NOT NULL,
  submission TEXT,
  created_at TEXT NOT NULL,
  changed_at TEXT NOT NULL
) STRICT;
CREATE INDEX registration_by_session ON registration (session_id, state, party, passed_over);
CREATE INDEX registration_owed ON registration (session_id, party)
  WHERE state = 'WAITLISTED' AND passed_over >= 2;
CREATE INDEX registration_by_person ON registration (person_id);
CREATE UNIQUE INDEX registration_once ON registration (session_id, person_id)
  WHERE state NOT IN ('CANCELLED', 'DECLINED');
CREATE UNIQUE INDEX registration_by_submission ON registration (submission) WHERE submission IS NOT NULL;

-- How full each session is, kept by the triggers below so that no page has to count.
CREATE TABLE seat_count (
  session_id INTEGER PRIMARY KEY REFERENCES session (id) ON DELETE CASCADE,
  taken INTEGER NOT NULL CHECK (taken >= 0),
  waiting_parties INTEGER NOT NULL CHECK (waiting_parties >= 0),
  waiting_people INTEGER NOT NULL CHECK (waiting_people >= 0)
) STRICT;

CREATE TRIGGER seat_count_begins AFTER INSERT ON session BEGIN
  INSERT INTO seat_count (session_id, taken, waiting_parties, waiting_people) VALUES (NEW.id, 0, 0, 0);
END;

CREATE TRIGGER seat_count_after_registering AFTER INSERT ON registration BEGIN
  UPDATE seat_count SET
    taken = taken + CASE WHEN NEW.state IN ('UNCONFIRMED', 'REGISTERED', 'CALLED_UP') THEN NEW.party ELSE 0 END,
    waiting_parties = waiting_parties + (NEW.state = 'WAITLISTED'),
    waiting_people = waiting_people + CASE WHEN NEW.state = 'WAITLISTED' THEN NEW.party ELSE 0 END
  WHERE session_id = NEW.session_id;
END;

CREATE TRIGGER seat_count_after_change AFTER UPDATE OF state, party, session_id ON registration BEGIN
  UPDATE seat_count SET
    taken = taken - CASE WHEN OLD.state IN ('UNCONFIRMED', 'REGISTERED', 'CALLED_UP') THEN OLD.party ELSE 0 END,
    waiting_parties = waiting_parties - (OLD.state = 'WAITLISTED'),
    waiting_people = waiting_people - CASE WHEN OLD.state = 'WAITLISTED' THEN OLD.party ELSE 0 END
  WHERE session_id = OLD.session_id;
  UPDATE seat_count SET
    taken = taken + CASE WHEN NEW.state IN ('UNCONFIRMED', 'REGISTERED', 'CALLED_UP') THEN NEW.party ELSE 0 END,
    waiting_parties = waiting_parties + (NEW.state = 'WAITLISTED'),
    waiting_people = waiting_people + CASE WHEN NEW.state = 'WAITLISTED' THEN NEW.party ELSE 0 END
  WHERE session_id = NEW.session_id;
END;

CREATE TABLE answer (
  registration_id INTEGER NOT NULL REFERENCES registration (id),
  question_id INTEGER NOT NULL,
  wording TEXT NOT NULL,
  value TEXT NOT NULL,
  PRIMARY KEY (registration_id, question_id)
) STRICT, WITHOUT ROWID;

-- Who did what, and why the program decided what it did.
CREATE TABLE logbook (
  id INTEGER PRIMARY KEY,
  written_at TEXT NOT NULL,
  actor TEXT NOT NULL,
  session_id INTEGER NOT NULL,
  registration_id INTEGER,
  entry TEXT NOT NULL,
  detail TEXT NOT NULL
) STRICT;
CREATE INDEX logbook_by_session ON logbook (session_id, id);

CREATE TABLE plan_line (
  id INTEGER PRIMARY KEY,
  offering_id INTEGER NOT NULL,
  anchor TEXT NOT NULL,
  amount INTEGER NOT NULL CHECK (amount >= 0),
  unit TEXT NOT NULL CHECK (unit IN ('MINUTES', 'HOURS', 'DAYS', 'WEEKS')),
  UNIQUE (offering_id, anchor, amount, unit)
) STRICT;

CREATE TABLE message (
  id INTEGER PRIMARY KEY,
  message_key TEXT NOT NULL UNIQUE,
  registration_id INTEGER NOT NULL,
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
  created_at TEXT NOT NULL
) STRICT;
CREATE INDEX message_due ON message (state, due_at);
CREATE INDEX message_by_registration ON message (registration_id);
CREATE INDEX message_by_session ON message (session_id, anchor, amount, unit, state);

CREATE TABLE connection (
  id INTEGER PRIMARY KEY,
  registration_id INTEGER NOT NULL REFERENCES registration (id),
  session_id INTEGER NOT NULL REFERENCES session (id),
  visit TEXT NOT NULL UNIQUE,
  joined_at TEXT NOT NULL,
  left_at TEXT
) STRICT;
CREATE INDEX connection_by_session ON connection (session_id, registration_id);

CREATE TABLE hand_mark (
  registration_id INTEGER PRIMARY KEY REFERENCES registration (id),
  session_id INTEGER NOT NULL REFERENCES session (id),
  verdict TEXT NOT NULL CHECK (verdict IN ('ATTENDED', 'PART', 'ABSENT')),
  marked_by TEXT NOT NULL,
  marked_at TEXT NOT NULL
) STRICT;
CREATE INDEX hand_mark_by_session ON hand_mark (session_id);

-- What the stand-ins keep: they play outside services and share nothing with the tables above.
CREATE TABLE tray_mail (
  id INTEGER PRIMARY KEY,
  message_key TEXT NOT NULL,
  recipient TEXT NOT NULL,
  subject TEXT NOT NULL,
  source BLOB NOT NULL,
  arrived_at TEXT NOT NULL
) STRICT;
CREATE INDEX tray_mail_by_key ON tray_mail (message_key);

CREATE TABLE meeting_visit (
  visit TEXT PRIMARY KEY,
  room TEXT NOT NULL,
  guest TEXT NOT NULL,
  name TEXT NOT NULL,
  title TEXT NOT NULL,
  closes_at TEXT NOT NULL,
  entered_at TEXT,
  left_at TEXT
) STRICT, WITHOUT ROWID;
CREATE INDEX meeting_visit_by_room ON meeting_visit (room, left_at);

CREATE TABLE demo_clock (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  ahead_millis INTEGER NOT NULL
) STRICT;
