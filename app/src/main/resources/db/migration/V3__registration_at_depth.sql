-- Call-ups, holds, questions of all kinds, and what people change by themselves. Text that may be empty is '' rather than NULL.

-- Offerings of before seat people at once, as they always did.
ALTER TABLE offering ADD COLUMN freed_seats TEXT NOT NULL DEFAULT 'SEAT_AT_ONCE'
  CHECK (freed_seats IN ('CALL_UP', 'SEAT_AT_ONCE'));
-- NULL means no limit.
ALTER TABLE offering ADD COLUMN waitlist_limit INTEGER CHECK (waitlist_limit BETWEEN 0 AND 100000);
ALTER TABLE offering ADD COLUMN phone_rule TEXT NOT NULL DEFAULT 'OPTIONAL'
  CHECK (phone_rule IN ('NOT_ASKED', 'OPTIONAL', 'REQUIRED'));
ALTER TABLE offering ADD COLUMN is_full_name INTEGER NOT NULL DEFAULT 0 CHECK (is_full_name IN (0, 1));
ALTER TABLE offering ADD COLUMN is_email_confirmed INTEGER NOT NULL DEFAULT 0 CHECK (is_email_confirmed IN (0, 1));
-- How long before the start people can no longer change what they registered.
ALTER TABLE offering ADD COLUMN changes_minutes INTEGER NOT NULL DEFAULT 0 CHECK (changes_minutes BETWEEN 0 AND 525600);
ALTER TABLE offering ADD COLUMN after_text TEXT NOT NULL DEFAULT '';
ALTER TABLE offering ADD COLUMN after_address TEXT NOT NULL DEFAULT '';

-- By when a hold or a call-up must be answered.
ALTER TABLE registration ADD COLUMN held_until TEXT;
-- Called up together with others for the same seats: holds none of them.
ALTER TABLE registration ADD COLUMN is_racing INTEGER NOT NULL DEFAULT 0 CHECK (is_racing IN (0, 1));
-- Since when the party stands in the line; the line is in this order.
ALTER TABLE registration ADD COLUMN waiting_since TEXT;
UPDATE registration SET waiting_since = created_at WHERE state = 'WAITLISTED';
-- Since when the party has seats of its own; stays when they are given back.
ALTER TABLE registration ADD COLUMN seated_at TEXT;
UPDATE registration SET seated_at = created_at WHERE state IN ('UNCONFIRMED', 'REGISTERED')
  OR state = 'CANCELLED' AND id IN (SELECT registration_id FROM logbook WHERE entry IN ('SEATED', 'SEATED_FROM_LINE'));
-- Why it was given back, if anybody said.
ALTER TABLE registration ADD COLUMN why TEXT NOT NULL DEFAULT '';
-- The names of companions, one a line, as far as they are known.
ALTER TABLE registration ADD COLUMN companions TEXT NOT NULL DEFAULT '';
ALTER TABLE registration ADD COLUMN is_reminded INTEGER NOT NULL DEFAULT 1 CHECK (is_reminded IN (0, 1));
-- What the organiser notes about it, and whether it is marked.
ALTER TABLE registration ADD COLUMN note TEXT NOT NULL DEFAULT '';
ALTER TABLE registration ADD COLUMN is_marked INTEGER NOT NULL DEFAULT 0 CHECK (is_marked IN (0, 1));
CREATE INDEX registration_line ON registration (session_id, waiting_since, id) WHERE state = 'WAITLISTED';
CREATE INDEX registration_racing ON registration (session_id) WHERE is_racing = 1;
CREATE INDEX registration_held ON registration (held_until) WHERE held_until IS NOT NULL;
-- As rosters are read: seated, held, maybe, called up, the line, and those who left.
CREATE INDEX registration_by_rank ON registration (session_id,
  (CASE state WHEN 'REGISTERED' THEN 0 WHEN 'UNCONFIRMED' THEN 1 WHEN 'MAYBE' THEN 2 WHEN 'CALLED_UP' THEN 3
    WHEN 'WAITLISTED' THEN 4 WHEN 'DECLINED' THEN 5 ELSE 6 END), id);
CREATE INDEX registration_by_name ON registration (session_id, name, id);
CREATE INDEX logbook_by_registration ON logbook (registration_id) WHERE registration_id IS NOT NULL;

DROP TRIGGER seat_count_after_registering;
DROP TRIGGER seat_count_after_change;
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

-- Questions of more kinds; a question that answers were given to is retired, not removed.
CREATE TABLE question_before AS SELECT * FROM question;
DROP TABLE question;
CREATE TABLE question (
  id INTEGER PRIMARY KEY,
  offering_id INTEGER NOT NULL REFERENCES offering (id),
  key TEXT NOT NULL,
  place INTEGER NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('SHORT_TEXT', 'LONG_TEXT', 'CHOOSE_ONE', 'CHOOSE_SEVERAL', 'YES_NO', 'AGREEMENT',
    'PHONE', 'EMAIL', 'WEB_ADDRESS', 'NUMBER', 'DATE')),
  label TEXT NOT NULL,
  help TEXT NOT NULL,
  required INTEGER NOT NULL CHECK (required IN (0, 1)),
  -- A line each; how often it can be had follows a bar.
  options TEXT NOT NULL,
  least TEXT NOT NULL,
  most TEXT NOT NULL,
  -- The key of an earlier question of the offering, or ''; then the values that will do, a line each.
  shown_if TEXT NOT NULL,
  shown_values TEXT NOT NULL,
  is_per_person INTEGER NOT NULL CHECK (is_per_person IN (0, 1)),
  is_retired INTEGER NOT NULL CHECK (is_retired IN (0, 1)),
  UNIQUE (offering_id, key)
) STRICT;
INSERT INTO question (id, offering_id, key, place, kind, label, help, required, options, least, most, shown_if,
    shown_values, is_per_person, is_retired)
  SELECT id, offering_id, key, place, kind, label, help, required, options, '', '', '', '', 0, 0 FROM question_before;
DROP TABLE question_before;

-- person is 0 for the registrant and counts companions from 1.
CREATE TABLE answer_before AS SELECT * FROM answer;
DROP TABLE answer;
CREATE TABLE answer (
  registration_id INTEGER NOT NULL REFERENCES registration (id),
  question_id INTEGER NOT NULL,
  person INTEGER NOT NULL CHECK (person BETWEEN 0 AND 99),
  wording TEXT NOT NULL,
  value TEXT NOT NULL,
  PRIMARY KEY (registration_id, question_id, person)
) STRICT, WITHOUT ROWID;
INSERT INTO answer SELECT registration_id, question_id, 0, wording, value FROM answer_before;
DROP TABLE answer_before;
CREATE INDEX answer_by_question ON answer (question_id, registration_id);

-- A call-up is an offer from now on; who was given a freed seat at once was seated.
UPDATE message SET anchor = 'SEATED' WHERE anchor = 'CALLED_UP';

-- Of the links to all registrations of a person.
ALTER TABLE person ADD COLUMN generation INTEGER NOT NULL DEFAULT 1;

-- Somebody would like to change dates with somebody else, or with anybody on the other date while with_id is NULL.
CREATE TABLE swap (
  id INTEGER PRIMARY KEY,
  registration_id INTEGER NOT NULL REFERENCES registration (id),
  wanted_id INTEGER NOT NULL REFERENCES session (id),
  with_id INTEGER REFERENCES registration (id),
  offered_at TEXT NOT NULL
) STRICT;
CREATE UNIQUE INDEX swap_once ON swap (registration_id);
CREATE INDEX swap_by_wanted ON swap (wanted_id);

-- People answer yes, maybe or no; who comes may be shown; and how the organiser hears of answers.
ALTER TABLE offering ADD COLUMN is_rsvp INTEGER NOT NULL DEFAULT 0 CHECK (is_rsvp IN (0, 1));
ALTER TABLE offering ADD COLUMN is_company_shown INTEGER NOT NULL DEFAULT 0 CHECK (is_company_shown IN (0, 1));
ALTER TABLE offering ADD COLUMN tell TEXT NOT NULL DEFAULT 'NEVER' CHECK (tell IN ('NEVER', 'EACH', 'DAILY', 'DEADLINE'));
-- Up to when the organiser has been told.
ALTER TABLE offering ADD COLUMN told_at TEXT;

-- Who is invited to an offering.
CREATE TABLE invitee (
  id INTEGER PRIMARY KEY,
  offering_id INTEGER NOT NULL REFERENCES offering (id),
  email TEXT NOT NULL,
  name TEXT NOT NULL,
  generation INTEGER NOT NULL,
  added_at TEXT NOT NULL,
  -- NULL while the invitation has not been written.
  invited_at TEXT,
  reminded_at TEXT,
  UNIQUE (offering_id, email)
) STRICT;

-- Somebody who is not invited asks to come.
CREATE TABLE plea (
  id INTEGER PRIMARY KEY,
  offering_id INTEGER NOT NULL REFERENCES offering (id),
  email TEXT NOT NULL,
  name TEXT NOT NULL,
  words TEXT NOT NULL,
  asked_at TEXT NOT NULL,
  decided_at TEXT,
  is_granted INTEGER NOT NULL CHECK (is_granted IN (0, 1)),
  decided_by TEXT NOT NULL
) STRICT;
CREATE UNIQUE INDEX plea_open ON plea (offering_id, email) WHERE decided_at IS NULL;

-- A calendar file that goes with a letter written beforehand.
ALTER TABLE message ADD COLUMN calendar TEXT NOT NULL DEFAULT '';

-- What a seat costs, in the smallest unit of the currency; 0 is free.
ALTER TABLE offering ADD COLUMN price_minor INTEGER NOT NULL DEFAULT 0 CHECK (price_minor BETWEEN 0 AND 10000000);
ALTER TABLE offering ADD COLUMN currency TEXT NOT NULL DEFAULT 'CAD';

CREATE TABLE payment (
  id INTEGER PRIMARY KEY,
  reference TEXT NOT NULL UNIQUE,
  registration_id INTEGER NOT NULL REFERENCES registration (id),
  amount_minor INTEGER NOT NULL CHECK (amount_minor > 0),
  currency TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('OPEN', 'PAID', 'FAILED', 'REFUND_DUE', 'REFUNDED')),
  started_at TEXT NOT NULL,
  done_at TEXT
) STRICT;
CREATE INDEX payment_by_registration ON payment (registration_id);
CREATE INDEX payment_owed ON payment (state) WHERE state = 'REFUND_DUE';

-- What the till stand-in keeps.
CREATE TABLE till_slip (
  reference TEXT PRIMARY KEY,
  what TEXT NOT NULL,
  amount TEXT NOT NULL,
  back TEXT NOT NULL,
  outcome TEXT NOT NULL CHECK (outcome IN ('OPEN', 'PAID', 'FAILED')),
  opened_at TEXT NOT NULL
) STRICT, WITHOUT ROWID;
