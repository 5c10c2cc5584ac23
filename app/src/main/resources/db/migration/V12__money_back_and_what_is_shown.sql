-- Until how long before the start whoever cancels has all of the money back; NULL never.
ALTER TABLE offering ADD COLUMN refund_minutes INTEGER CHECK (refund_minutes BETWEEN 0 AND 525600);
-- Whether people can change nothing themselves any more once they have paid.
ALTER TABLE offering ADD COLUMN is_fixed_once_paid INTEGER NOT NULL DEFAULT 0 CHECK (is_fixed_once_paid IN (0, 1));
-- How many seats are left is said always, once there are no more than few_from, or never.
ALTER TABLE offering ADD COLUMN seats_shown TEXT NOT NULL DEFAULT 'ALWAYS' CHECK (seats_shown IN ('ALWAYS', 'FEW', 'NEVER'));
ALTER TABLE offering ADD COLUMN few_from INTEGER NOT NULL DEFAULT 5 CHECK (few_from BETWEEN 1 AND 100000);
-- What the button by which people register says; '' as everywhere.
ALTER TABLE offering ADD COLUMN button TEXT NOT NULL DEFAULT '';

-- A picture across the public list; '' for none.
ALTER TABLE organisation ADD COLUMN banner TEXT NOT NULL DEFAULT '';

-- Money that goes back, in part or whole, for a payment. Withdrawn when the seats were taken up again before it left.
CREATE TABLE refund (
  id INTEGER PRIMARY KEY,
  payment_id INTEGER NOT NULL REFERENCES payment (id),
  reference TEXT NOT NULL UNIQUE,
  people INTEGER NOT NULL CHECK (people >= 0),
  amount_minor INTEGER NOT NULL CHECK (amount_minor > 0),
  state TEXT NOT NULL CHECK (state IN ('DUE', 'DONE', 'WITHDRAWN')),
  cause TEXT NOT NULL CHECK (cause IN ('GIVEN_UP', 'SESSION_CANCELLED', 'TOO_LATE', 'BY_HAND')),
  due_at TEXT NOT NULL,
  done_at TEXT
) STRICT;
CREATE INDEX refund_by_payment ON refund (payment_id);
CREATE INDEX refund_due ON refund (due_at) WHERE state = 'DUE';

-- What was owed back before stands as a refund; a payment is open, paid or failed from now on.
INSERT INTO refund (payment_id, reference, people, amount_minor, state, cause, due_at, done_at)
  SELECT id, 'refund-' || reference, people, amount_minor, CASE state WHEN 'REFUNDED' THEN 'DONE' ELSE 'DUE' END,
    'TOO_LATE', coalesce(done_at, started_at), CASE state WHEN 'REFUNDED' THEN done_at END
  FROM payment WHERE state IN ('REFUND_DUE', 'REFUNDED');
UPDATE payment SET state = 'PAID' WHERE state IN ('REFUND_DUE', 'REFUNDED');

-- Receipts are numbered within their year, without a gap, and say what was true when they were written.
CREATE TABLE receipt (
  payment_id INTEGER PRIMARY KEY REFERENCES payment (id),
  year INTEGER NOT NULL,
  number INTEGER NOT NULL CHECK (number > 0),
  payer TEXT NOT NULL,
  email TEXT NOT NULL,
  what TEXT NOT NULL,
  held TEXT NOT NULL,
  written_at TEXT NOT NULL,
  UNIQUE (year, number)
) STRICT;

-- What the till stand-in has given back.
CREATE TABLE till_refund (
  reference TEXT PRIMARY KEY,
  payment TEXT NOT NULL,
  amount TEXT NOT NULL,
  made_at TEXT NOT NULL
) STRICT, WITHOUT ROWID;
