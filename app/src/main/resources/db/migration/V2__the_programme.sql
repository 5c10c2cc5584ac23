-- What an organiser decides before the first person registers. Text that may be empty is '' rather than NULL.

-- A venue may be a phone line; SQLite cannot change a CHECK, so the table is made anew under the same name and numbers.
PRAGMA defer_foreign_keys = ON;
CREATE TABLE venue_before AS SELECT id, name, kind, address, access_note, link, room_size FROM venue;
DROP TABLE venue;
CREATE TABLE venue (
  id INTEGER PRIMARY KEY,
  name TEXT NOT NULL UNIQUE,
  kind TEXT NOT NULL CHECK (kind IN ('PLACE', 'PHONE', 'FIXED_LINK', 'MADE_LINK')),
  address TEXT NOT NULL,
  access_note TEXT NOT NULL,
  link TEXT NOT NULL,
  phone TEXT NOT NULL,
  room_size INTEGER CHECK (room_size > 0),
  is_retired INTEGER NOT NULL CHECK (is_retired IN (0, 1)),
  version INTEGER NOT NULL
) STRICT;
INSERT INTO venue (id, name, kind, address, access_note, link, phone, room_size, is_retired, version)
  SELECT id, name, kind, address, access_note, link, '', room_size, 0, 1 FROM venue_before;
DROP TABLE venue_before;

-- Somebody on a series is marked for each of its dates.
CREATE TABLE hand_mark_before AS SELECT registration_id, session_id, verdict, marked_by, marked_at FROM hand_mark;
DROP TABLE hand_mark;
CREATE TABLE hand_mark (
  registration_id INTEGER NOT NULL REFERENCES registration (id),
  session_id INTEGER NOT NULL REFERENCES session (id),
  verdict TEXT NOT NULL CHECK (verdict IN ('ATTENDED', 'PART', 'ABSENT')),
  marked_by TEXT NOT NULL,
  marked_at TEXT NOT NULL,
  PRIMARY KEY (registration_id, session_id)
) STRICT, WITHOUT ROWID;
INSERT INTO hand_mark SELECT registration_id, session_id, verdict, marked_by, marked_at FROM hand_mark_before;
DROP TABLE hand_mark_before;
CREATE INDEX hand_mark_by_session ON hand_mark (session_id);

-- Pictures as they are served: decoded and encoded anew, never as they came in.
CREATE TABLE picture (
  id INTEGER PRIMARY KEY,
  name TEXT NOT NULL UNIQUE,
  media_type TEXT NOT NULL,
  width INTEGER NOT NULL,
  height INTEGER NOT NULL,
  content BLOB NOT NULL
) STRICT;

ALTER TABLE organisation ADD COLUMN logo TEXT NOT NULL DEFAULT '';
ALTER TABLE organisation ADD COLUMN day_begins INTEGER NOT NULL DEFAULT 8 CHECK (day_begins BETWEEN 0 AND 12);
ALTER TABLE organisation ADD COLUMN phone TEXT NOT NULL DEFAULT '';
ALTER TABLE organisation ADD COLUMN website TEXT NOT NULL DEFAULT '';

ALTER TABLE account ADD COLUMN generation INTEGER NOT NULL DEFAULT 1;
ALTER TABLE account ADD COLUMN is_active INTEGER NOT NULL DEFAULT 1 CHECK (is_active IN (0, 1));

ALTER TABLE offering ADD COLUMN style TEXT NOT NULL DEFAULT 'ANY_DATE'
  CHECK (style IN ('ANY_DATE', 'ONE_DATE', 'WHOLE_SERIES', 'OWN_TIME'));
ALTER TABLE offering ADD COLUMN visibility TEXT NOT NULL DEFAULT 'LISTED'
  CHECK (visibility IN ('LISTED', 'UNLISTED', 'INVITED'));
ALTER TABLE offering ADD COLUMN opens_days INTEGER NOT NULL DEFAULT 0 CHECK (opens_days BETWEEN 0 AND 730);
ALTER TABLE offering ADD COLUMN kept_back INTEGER NOT NULL DEFAULT 0 CHECK (kept_back >= 0);
ALTER TABLE offering ADD COLUMN minimum INTEGER NOT NULL DEFAULT 0 CHECK (minimum >= 0);
ALTER TABLE offering ADD COLUMN decide_days INTEGER NOT NULL DEFAULT 3 CHECK (decide_days BETWEEN 0 AND 365);
ALTER TABLE offering ADD COLUMN buffer_before INTEGER NOT NULL DEFAULT 0 CHECK (buffer_before BETWEEN 0 AND 1440);
ALTER TABLE offering ADD COLUMN buffer_after INTEGER NOT NULL DEFAULT 0 CHECK (buffer_after BETWEEN 0 AND 1440);
ALTER TABLE offering ADD COLUMN audience TEXT NOT NULL DEFAULT '';
ALTER TABLE offering ADD COLUMN language TEXT NOT NULL DEFAULT 'en';
ALTER TABLE offering ADD COLUMN colour TEXT NOT NULL DEFAULT 'depth';
ALTER TABLE offering ADD COLUMN labels TEXT NOT NULL DEFAULT '';
ALTER TABLE offering ADD COLUMN price TEXT NOT NULL DEFAULT '';
ALTER TABLE offering ADD COLUMN contact TEXT NOT NULL DEFAULT '';
ALTER TABLE offering ADD COLUMN picture TEXT NOT NULL DEFAULT '';
ALTER TABLE offering ADD COLUMN embed_origins TEXT NOT NULL DEFAULT '';
ALTER TABLE offering ADD COLUMN is_pattern INTEGER NOT NULL DEFAULT 0 CHECK (is_pattern IN (0, 1));
ALTER TABLE offering ADD COLUMN short_code TEXT NOT NULL DEFAULT '';
UPDATE offering SET short_code = lower(hex(randomblob(4)));
CREATE UNIQUE INDEX offering_by_short_code ON offering (short_code);

-- NULL follows the offering. lead_id names the session that keeps the seat count of a whole series.
ALTER TABLE session ADD COLUMN lead_id INTEGER REFERENCES session (id);
ALTER TABLE session ADD COLUMN venue_id INTEGER REFERENCES venue (id);
ALTER TABLE session ADD COLUMN door_minutes INTEGER CHECK (door_minutes BETWEEN 0 AND 1440);
ALTER TABLE session ADD COLUMN overrun_minutes INTEGER CHECK (overrun_minutes BETWEEN 0 AND 1440);
ALTER TABLE session ADD COLUMN minimum INTEGER CHECK (minimum >= 0);
ALTER TABLE session ADD COLUMN is_own_hosts INTEGER NOT NULL DEFAULT 0 CHECK (is_own_hosts IN (0, 1));
ALTER TABLE session ADD COLUMN note TEXT NOT NULL DEFAULT '';
-- How far the meeting service is with the link of this session.
ALTER TABLE session ADD COLUMN link_state TEXT NOT NULL DEFAULT 'NONE'
  CHECK (link_state IN ('NONE', 'WANTED', 'MADE', 'FAILED'));
ALTER TABLE session ADD COLUMN link_tries INTEGER NOT NULL DEFAULT 0;
ALTER TABLE session ADD COLUMN link_next_at TEXT;
ALTER TABLE session ADD COLUMN link_problem TEXT NOT NULL DEFAULT '';
UPDATE session SET link_state = 'MADE' WHERE meeting_room IS NOT NULL;
CREATE INDEX session_by_lead ON session (lead_id) WHERE lead_id IS NOT NULL;
CREATE INDEX session_by_venue ON session (venue_id, starts_at) WHERE venue_id IS NOT NULL;
CREATE INDEX session_wants_link ON session (link_next_at) WHERE link_state = 'WANTED';
CREATE INDEX offering_by_venue ON offering (venue_id);

CREATE TABLE offering_host (
  offering_id INTEGER NOT NULL REFERENCES offering (id) ON DELETE CASCADE,
  account_id INTEGER NOT NULL REFERENCES account (id),
  place INTEGER NOT NULL,
  PRIMARY KEY (offering_id, account_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX offering_host_by_account ON offering_host (account_id);

-- Only read where session.is_own_hosts is 1; otherwise the offering's hosts lead the session.
CREATE TABLE session_host (
  session_id INTEGER NOT NULL REFERENCES session (id) ON DELETE CASCADE,
  account_id INTEGER NOT NULL REFERENCES account (id),
  place INTEGER NOT NULL,
  PRIMARY KEY (session_id, account_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX session_host_by_account ON session_host (account_id);

-- A letter with a body of its own goes to somebody who is on no session (registration 0), such as a new team member.
ALTER TABLE message ADD COLUMN body TEXT NOT NULL DEFAULT '';
-- The change that caused the letter; as long as it is unsent, undoing the change withdraws it.
ALTER TABLE message ADD COLUMN change_id INTEGER;
CREATE INDEX message_by_change ON message (change_id) WHERE change_id IS NOT NULL;

-- A change to sessions that can be undone until the letters about it leave.
CREATE TABLE change (
  id INTEGER PRIMARY KEY,
  offering_id INTEGER NOT NULL REFERENCES offering (id),
  made_at TEXT NOT NULL,
  until_at TEXT NOT NULL,
  actor TEXT NOT NULL,
  words TEXT NOT NULL,
  before TEXT NOT NULL,
  is_undone INTEGER NOT NULL CHECK (is_undone IN (0, 1))
) STRICT;
CREATE INDEX change_open ON change (offering_id, until_at) WHERE is_undone = 0;

-- When a host is taken up elsewhere, as another calendar tells.
CREATE TABLE busy_calendar (
  id INTEGER PRIMARY KEY,
  account_id INTEGER NOT NULL REFERENCES account (id),
  name TEXT NOT NULL,
  address TEXT NOT NULL,
  read_at TEXT,
  next_at TEXT,
  problem TEXT NOT NULL
) STRICT;
CREATE INDEX busy_calendar_by_account ON busy_calendar (account_id);
CREATE INDEX busy_calendar_due ON busy_calendar (next_at) WHERE next_at IS NOT NULL;
CREATE TABLE busy_block (
  calendar_id INTEGER NOT NULL REFERENCES busy_calendar (id) ON DELETE CASCADE,
  starts_at TEXT NOT NULL,
  ends_at TEXT NOT NULL,
  PRIMARY KEY (calendar_id, starts_at, ends_at)
) STRICT, WITHOUT ROWID;

CREATE TABLE saved_view (
  id INTEGER PRIMARY KEY,
  account_id INTEGER NOT NULL REFERENCES account (id),
  name TEXT NOT NULL,
  query TEXT NOT NULL,
  UNIQUE (account_id, name)
) STRICT;

-- The dates of a whole series share the count of the session that leads it.
DROP TRIGGER seat_count_after_registering;
DROP TRIGGER seat_count_after_change;
CREATE TRIGGER seat_count_after_registering AFTER INSERT ON registration BEGIN
  UPDATE seat_count SET
    taken = taken + CASE WHEN NEW.state IN ('UNCONFIRMED', 'REGISTERED', 'CALLED_UP') THEN NEW.party ELSE 0 END,
    waiting_parties = waiting_parties + (NEW.state = 'WAITLISTED'),
    waiting_people = waiting_people + CASE WHEN NEW.state = 'WAITLISTED' THEN NEW.party ELSE 0 END
  WHERE session_id = NEW.session_id
    OR session_id IN (SELECT id FROM session WHERE lead_id = NEW.session_id);
END;
CREATE TRIGGER seat_count_after_change AFTER UPDATE OF state, party, session_id ON registration BEGIN
  UPDATE seat_count SET
    taken = taken - CASE WHEN OLD.state IN ('UNCONFIRMED', 'REGISTERED', 'CALLED_UP') THEN OLD.party ELSE 0 END,
    waiting_parties = waiting_parties - (OLD.state = 'WAITLISTED'),
    waiting_people = waiting_people - CASE WHEN OLD.state = 'WAITLISTED' THEN OLD.party ELSE 0 END
  WHERE session_id = OLD.session_id
    OR session_id IN (SELECT id FROM session WHERE lead_id = OLD.session_id);
  UPDATE seat_count SET
    taken = taken + CASE WHEN NEW.state IN ('UNCONFIRMED', 'REGISTERED', 'CALLED_UP') THEN NEW.party ELSE 0 END,
    waiting_parties = waiting_parties + (NEW.state = 'WAITLISTED'),
    waiting_people = waiting_people + CASE WHEN NEW.state = 'WAITLISTED' THEN NEW.party ELSE 0 END
  WHERE session_id = NEW.session_id
    OR session_id IN (SELECT id FROM session WHERE lead_id = NEW.session_id);
END;
CREATE TRIGGER seat_count_joins_series AFTER UPDATE OF lead_id ON session
WHEN NEW.lead_id IS NOT NULL AND NEW.lead_id <> NEW.id BEGIN
  UPDATE seat_count SET (taken, waiting_parties, waiting_people) =
    (SELECT lead.taken, lead.waiting_parties, lead.waiting_people FROM seat_count AS lead
      WHERE lead.session_id = NEW.lead_id)
  WHERE session_id = NEW.id;
END;
