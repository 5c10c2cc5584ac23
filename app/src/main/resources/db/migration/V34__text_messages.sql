-- A line of a plan says by what it goes and to whom of those it is tied to.
CREATE TABLE plan_line_anew (
  id INTEGER PRIMARY KEY,
  offering_id INTEGER NOT NULL,
  anchor TEXT NOT NULL,
  amount INTEGER NOT NULL CHECK (amount >= 0),
  unit TEXT NOT NULL CHECK (unit IN ('MINUTES', 'HOURS', 'DAYS', 'WEEKS')),
  channels TEXT NOT NULL CHECK (channels IN ('EMAIL', 'TEXT', 'BOTH')),
  -- Empty for everybody.
  audience TEXT NOT NULL,
  -- A line of an offering's own that is off, or one of the house plan that does not count for it.
  is_off INTEGER NOT NULL DEFAULT 0 CHECK (is_off IN (0, 1)),
  UNIQUE (offering_id, anchor, amount, unit, channels, audience)
) STRICT;
INSERT INTO plan_line_anew SELECT id, offering_id, anchor, amount, unit, 'EMAIL', '', is_off FROM plan_line;
DROP TABLE plan_line;
ALTER TABLE plan_line_anew RENAME TO plan_line;
CREATE TABLE house_plan_line_anew (
  id INTEGER PRIMARY KEY,
  plan_id INTEGER NOT NULL REFERENCES house_plan (id) ON DELETE CASCADE,
  anchor TEXT NOT NULL,
  amount INTEGER NOT NULL CHECK (amount >= 0),
  unit TEXT NOT NULL CHECK (unit IN ('MINUTES', 'HOURS', 'DAYS', 'WEEKS')),
  channels TEXT NOT NULL CHECK (channels IN ('EMAIL', 'TEXT', 'BOTH')),
  audience TEXT NOT NULL,
  UNIQUE (plan_id, anchor, amount, unit, channels, audience)
) STRICT;
INSERT INTO house_plan_line_anew SELECT id, plan_id, anchor, amount, unit, 'EMAIL', '' FROM house_plan_line;
DROP TABLE house_plan_line;
ALTER TABLE house_plan_line_anew RENAME TO house_plan_line;

ALTER TABLE message ADD COLUMN channel TEXT NOT NULL DEFAULT 'EMAIL' CHECK (channel IN ('EMAIL', 'TEXT'));
ALTER TABLE message ADD COLUMN audience TEXT NOT NULL DEFAULT '';
DROP INDEX message_due;
CREATE INDEX message_due ON message (state, due_at, channel);

-- What a message says as a text; empty for the words that ship.
ALTER TABLE wording ADD COLUMN as_text TEXT NOT NULL DEFAULT '';
-- The same as for e-mails, for texts alone.
ALTER TABLE writing_hours ADD COLUMN text_days TEXT NOT NULL DEFAULT '';
ALTER TABLE writing_hours ADD COLUMN text_from TEXT;
ALTER TABLE writing_hours ADD COLUMN text_to TEXT;
-- The clock send hours are meant on; null for the recipient's own.
ALTER TABLE writing_hours ADD COLUMN send_zone TEXT;

-- Who agreed to texts about what they registered for, in which words.
CREATE TABLE text_agreement (
  registration_id INTEGER PRIMARY KEY,
  number TEXT NOT NULL,
  wording TEXT NOT NULL,
  agreed_at TEXT NOT NULL
) STRICT;
CREATE INDEX text_agreement_by_number ON text_agreement (number);
-- Numbers to which no text goes.
CREATE TABLE silent_number (
  number TEXT PRIMARY KEY,
  -- Whether its owner asked for no more texts; else no text reaches it.
  is_stopped INTEGER NOT NULL CHECK (is_stopped IN (0, 1)),
  why TEXT NOT NULL,
  since_at TEXT NOT NULL
) STRICT;
-- Texts as the gateway took them, and what became of them.
CREATE TABLE text_sent (
  message_id INTEGER PRIMARY KEY,
  outside_key TEXT NOT NULL UNIQUE,
  number TEXT NOT NULL,
  body TEXT NOT NULL,
  parts INTEGER NOT NULL,
  outcome TEXT NOT NULL CHECK (outcome IN ('TAKEN', 'DELIVERED', 'FAILED')),
  why TEXT NOT NULL,
  sent_at TEXT NOT NULL,
  settled_at TEXT
) STRICT;
CREATE INDEX text_sent_by_number ON text_sent (number, sent_at);
-- What came back, and what was made of it.
CREATE TABLE text_received (
  id INTEGER PRIMARY KEY,
  outside_key TEXT NOT NULL UNIQUE,
  number TEXT NOT NULL,
  body TEXT NOT NULL,
  -- 0 where it is not known whom it is from.
  registration_id INTEGER NOT NULL,
  person_id INTEGER NOT NULL,
  outcome TEXT NOT NULL,
  -- Whether somebody has to read it, as nothing could be made of it.
  is_open INTEGER NOT NULL CHECK (is_open IN (0, 1)),
  received_at TEXT NOT NULL
) STRICT;
CREATE INDEX text_received_by_person ON text_received (person_id, received_at);
CREATE INDEX text_received_open ON text_received (received_at) WHERE is_open = 1;
-- Short ways to personal links, for texts. The address is one of our own, without the host.
CREATE TABLE short_link (
  code TEXT PRIMARY KEY,
  message_id INTEGER NOT NULL,
  address TEXT NOT NULL,
  made_at TEXT NOT NULL,
  UNIQUE (message_id, address)
) STRICT;
-- The phones of the gateway that ships with the program.
CREATE TABLE phone_text (
  id INTEGER PRIMARY KEY,
  text_key TEXT NOT NULL UNIQUE,
  number TEXT NOT NULL,
  body TEXT NOT NULL,
  is_from_phone INTEGER NOT NULL CHECK (is_from_phone IN (0, 1)),
  outcome TEXT NOT NULL CHECK (outcome IN ('UNDERWAY', 'DELIVERED', 'FAILED')),
  why TEXT NOT NULL,
  arrived_at TEXT NOT NULL,
  -- Whether the program has taken the report of it.
  is_reported INTEGER NOT NULL CHECK (is_reported IN (0, 1))
) STRICT;
CREATE INDEX phone_text_by_number ON phone_text (number, id);
CREATE INDEX phone_text_unreported ON phone_text (id) WHERE is_reported = 0;
CREATE TABLE phone_mood (
  number TEXT PRIMARY KEY,
  mood TEXT NOT NULL CHECK (mood IN ('PROMPT', 'SLOW', 'FAILS', 'GONE'))
) STRICT;
