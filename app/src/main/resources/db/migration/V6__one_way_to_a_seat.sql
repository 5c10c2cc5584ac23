-- What a state of a registration may have beside it is written into the table; rows that break it are mended and counted.

-- What migrations mended, until the program has said so in its log.
CREATE TABLE mending (
  id INTEGER PRIMARY KEY,
  what TEXT NOT NULL,
  row_count INTEGER NOT NULL CHECK (row_count > 0),
  is_told INTEGER NOT NULL DEFAULT 0 CHECK (is_told IN (0, 1))
) STRICT;

INSERT INTO mending (what, row_count) SELECT 'held or offered without an end: ends a day from now', n
  FROM (SELECT count(*) AS n FROM registration WHERE state IN ('UNCONFIRMED', 'CALLED_UP') AND held_until IS NULL)
  WHERE n > 0;
UPDATE registration SET held_until = strftime('%Y-%m-%dT%H:%M:%fZ', 'now', '+1 day')
  WHERE state IN ('UNCONFIRMED', 'CALLED_UP') AND held_until IS NULL;
INSERT INTO mending (what, row_count) SELECT 'an end of a hold where nothing is held: taken away', n
  FROM (SELECT count(*) AS n FROM registration WHERE state NOT IN ('UNCONFIRMED', 'CALLED_UP') AND held_until IS NOT NULL)
  WHERE n > 0;
UPDATE registration SET held_until = NULL WHERE state NOT IN ('UNCONFIRMED', 'CALLED_UP');
INSERT INTO mending (what, row_count) SELECT 'in the line without a place: has the place of the time of registering', n
  FROM (SELECT count(*) AS n FROM registration WHERE state IN ('WAITLISTED', 'CALLED_UP') AND waiting_since IS NULL)
  WHERE n > 0;
UPDATE registration SET waiting_since = created_at WHERE state IN ('WAITLISTED', 'CALLED_UP') AND waiting_since IS NULL;
INSERT INTO mending (what, row_count) SELECT 'a place in the line of somebody who does not wait: taken away', n
  FROM (SELECT count(*) AS n FROM registration
    WHERE state NOT IN ('WAITLISTED', 'CALLED_UP') AND waiting_since IS NOT NULL)
  WHERE n > 0;
UPDATE registration SET waiting_since = NULL WHERE state NOT IN ('WAITLISTED', 'CALLED_UP');
INSERT INTO mending (what, row_count) SELECT 'racing for seats without being called up: no longer', n
  FROM (SELECT count(*) AS n FROM registration WHERE state <> 'CALLED_UP' AND is_racing = 1)
  WHERE n > 0;
UPDATE registration SET is_racing = 0 WHERE state <> 'CALLED_UP' AND is_racing = 1;
INSERT INTO mending (what, row_count) SELECT 'seats since nobody knows when: since registering', n
  FROM (SELECT count(*) AS n FROM registration WHERE state IN ('UNCONFIRMED', 'REGISTERED') AND seated_at IS NULL)
  WHERE n > 0;
UPDATE registration SET seated_at = created_at WHERE state IN ('UNCONFIRMED', 'REGISTERED') AND seated_at IS NULL;
INSERT INTO mending (what, row_count) SELECT 'seats since some time of somebody who waits: taken away', n
  FROM (SELECT count(*) AS n FROM registration WHERE state IN ('WAITLISTED', 'CALLED_UP') AND seated_at IS NOT NULL)
  WHERE n > 0;
UPDATE registration SET seated_at = NULL WHERE state IN ('WAITLISTED', 'CALLED_UP');

PRAGMA defer_foreign_keys = ON;
CREATE TABLE registration_before AS SELECT * FROM registration;
CREATE TABLE registration_numbers AS SELECT seq FROM sqlite_sequence WHERE name = 'registration';
DROP TABLE registration;
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
  changed_at TEXT NOT NULL,
  -- By when a hold or a call-up must be answered.
  held_until TEXT CHECK ((held_until IS NOT NULL) = (state IN ('UNCONFIRMED', 'CALLED_UP'))),
  -- Called up together with others for the same seats: holds none of them.
  is_racing INTEGER NOT NULL DEFAULT 0 CHECK (is_racing = 0 OR is_racing = 1 AND state = 'CALLED_UP'),
  -- Since when the party stands in the line; the line is in this order. Whoever is called up keeps the place.
  waiting_since TEXT CHECK ((waiting_since IS NOT NULL) = (state IN ('WAITLISTED', 'CALLED_UP'))),
  -- Since when the party has seats of its own; stays when they are given back.
  seated_at TEXT CHECK (CASE WHEN state IN ('UNCONFIRMED', 'REGISTERED') THEN seated_at IS NOT NULL
    WHEN state IN ('WAITLISTED', 'CALLED_UP') THEN seated_at IS NULL ELSE 1 END),
  -- For how many people nothing is due any more: paid for, or never due.
  settled_for INTEGER NOT NULL DEFAULT 0 CHECK (CASE state WHEN 'REGISTERED' THEN settled_for >= party
    WHEN 'UNCONFIRMED' THEN settled_for BETWEEN 0 AND party ELSE settled_for = 0 END),
  -- Who ended it, if anybody did and it is known.
  ended_by TEXT NOT NULL DEFAULT '' CHECK (ended_by = ''
    OR ended_by IN ('PERSON', 'TEAM', 'PROGRAM') AND state IN ('CANCELLED', 'DECLINED')),
  -- Why it was given back, if anybody said.
  why TEXT NOT NULL DEFAULT '',
  -- The names of companions, one a line, as far as they are known.
  companions TEXT NOT NULL DEFAULT '',
  is_reminded INTEGER NOT NULL DEFAULT 1 CHECK (is_reminded IN (0, 1)),
  -- What the organiser notes about it, and whether it is marked.
  note TEXT NOT NULL DEFAULT '',
  is_marked INTEGER NOT NULL DEFAULT 0 CHECK (is_marked IN (0, 1))
) STRICT;
INSERT INTO registration (id, session_id, person_id, state, party, passed_over, generation, name, zone, submission,
    created_at, changed_at, held_until, is_racing, waiting_since, seated_at, settled_for, ended_by, why, companions,
    is_reminded, note, is_marked)
  SELECT id, session_id, person_id, state, party, passed_over, generation, name, zone, submission,
    created_at, changed_at, held_until, is_racing, waiting_since, seated_at,
    CASE state WHEN 'REGISTERED' THEN party ELSE 0 END,
    CASE WHEN state = 'CANCELLED' AND why = 'by the organiser' THEN 'TEAM' ELSE '' END,
    why, companions, is_reminded, note, is_marked
  FROM registration_before;
DROP TABLE registration_before;
UPDATE sqlite_sequence SET seq = max(seq, (SELECT seq FROM registration_numbers)) WHERE name = 'registration'
  AND EXISTS (SELECT 1 FROM registration_numbers);
INSERT INTO sqlite_sequence (name, seq) SELECT 'registration', seq FROM registration_numbers
  WHERE NOT EXISTS (SELECT 1 FROM sqlite_sequence WHERE name = 'registration');
DROP TABLE registration_numbers;

CREATE INDEX registration_owed ON registration (session_id, party)
  WHERE state = 'WAITLISTED' AND passed_over >= 2;
CREATE INDEX registration_by_person ON registration (person_id);
CREATE UNIQUE INDEX registration_once ON registration (session_id, person_id)
  WHERE state NOT IN ('CANCELLED', 'DECLINED');
CREATE UNIQUE INDEX registration_by_submission ON registration (submission) WHERE submission IS NOT NULL;
CREATE INDEX registration_line ON registration (session_id, waiting_since, id) WHERE state = 'WAITLISTED';
CREATE INDEX registration_racing ON registration (session_id) WHERE is_racing = 1;
CREATE INDEX registration_held ON registration (held_until) WHERE held_until IS NOT NULL;
-- As rosters are read: by state, those who wait in the order of the line; with what counting needs.
CREATE INDEX registration_by_rank ON registration (session_id,
  (CASE state WHEN 'REGISTERED' THEN 0 WHEN 'UNCONFIRMED' THEN 1 WHEN 'MAYBE' THEN 2 WHEN 'CALLED_UP' THEN 3
    WHEN 'WAITLISTED' THEN 4 WHEN 'DECLINED' THEN 5 ELSE 6 END), coalesce(waiting_since, ''), id, state, party);
CREATE INDEX registration_by_name ON registration (session_id, name, id);

CREATE TRIGGER seat_count_after_registering AFTER INSERT ON registration BEGIN
  UPDATE seat_count SET
    taken = taken + CASE WHEN NEW.state IN ('UNCONFIRMED', 'REGISTERED', 'CALLED_UP') AND NEW.is_racing = 0
      THEN NEW.party ELSE 0 END,
    waiting_parties = waiting_parties + (NEW.state = 'WAITLISTED'),
    waiting_people = waiting_people + CASE WHEN NEW.state = 'WAITLISTED' THEN NEW.party ELSE 0 END
  WHERE session_id = NEW.session_id
    OR session_id IN (SELECT id FROM session WHERE lead_id = NEW.session_id);
END;
CREATE TRIGGER seat_count_after_change AFTER UPDATE OF state, party, session_id, is_racing ON registration BEGIN
  UPDATE seat_count SET
    taken = taken - CASE WHEN OLD.state IN ('UNCONFIRMED', 'REGISTERED', 'CALLED_UP') AND OLD.is_racing = 0
      THEN OLD.party ELSE 0 END,
    waiting_parties = waiting_parties - (OLD.state = 'WAITLISTED'),
    waiting_people = waiting_people - CASE WHEN OLD.state = 'WAITLISTED' THEN OLD.party ELSE 0 END
  WHERE session_id = OLD.session_id
    OR session_id IN (SELECT id FROM session WHERE lead_id = OLD.session_id);
  UPDATE seat_count SET
    taken = taken + CASE WHEN NEW.state IN ('UNCONFIRMED', 'REGISTERED', 'CALLED_UP') AND NEW.is_racing = 0
      THEN NEW.party ELSE 0 END,
    waiting_parties = waiting_parties + (NEW.state = 'WAITLISTED'),
    waiting_people = waiting_people + CASE WHEN NEW.state = 'WAITLISTED' THEN NEW.party ELSE 0 END
  WHERE session_id = NEW.session_id
    OR session_id IN (SELECT id FROM session WHERE lead_id = NEW.session_id);
END;
UPDATE seat_count SET (taken, waiting_parties, waiting_people) =
  (SELECT coalesce(sum(CASE WHEN r.state IN ('UNCONFIRMED', 'REGISTERED', 'CALLED_UP') AND r.is_racing = 0
      THEN r.party ELSE 0 END), 0),
    coalesce(sum(r.state = 'WAITLISTED'), 0),
    coalesce(sum(CASE WHEN r.state = 'WAITLISTED' THEN r.party ELSE 0 END), 0)
  FROM session AS s LEFT JOIN registration AS r ON r.session_id = coalesce(s.lead_id, s.id)
  WHERE s.id = seat_count.session_id);

-- For how many people a payment is.
ALTER TABLE payment ADD COLUMN people INTEGER NOT NULL DEFAULT 0 CHECK (people >= 0);
UPDATE payment SET people = (SELECT party FROM registration WHERE id = payment.registration_id);

-- What was decided, as numbers and names rather than prose; lines from before keep their words in detail.
ALTER TABLE logbook ADD COLUMN actor_kind TEXT NOT NULL DEFAULT ''
  CHECK (actor_kind IN ('', 'TEAM', 'PERSON', 'PROGRAM'));
ALTER TABLE logbook ADD COLUMN facts TEXT NOT NULL DEFAULT '';
