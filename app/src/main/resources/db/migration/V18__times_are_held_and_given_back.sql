-- A time that was picked and that nobody has any more: it may be picked anew, and stands in nobody's programme.
ALTER TABLE session ADD COLUMN is_given_back INTEGER NOT NULL DEFAULT 0 CHECK (is_given_back IN (0, 1));

-- A time is kept for whoever fills in the form, for a few minutes. Who that is nobody knows yet: a browser, by a number of its own.
CREATE TABLE time_hold (
  id INTEGER PRIMARY KEY,
  offering_id INTEGER NOT NULL REFERENCES offering (id) ON DELETE CASCADE,
  browser TEXT NOT NULL,
  starts_at TEXT NOT NULL,
  ends_at TEXT NOT NULL CHECK (ends_at > starts_at),
  held_until TEXT NOT NULL,
  UNIQUE (offering_id, browser)
) STRICT;
CREATE INDEX time_hold_by_end ON time_hold (held_until);

-- Who is kept free to lead it.
CREATE TABLE time_hold_host (
  hold_id INTEGER NOT NULL REFERENCES time_hold (id) ON DELETE CASCADE,
  account_id INTEGER NOT NULL REFERENCES account (id) ON DELETE CASCADE,
  PRIMARY KEY (hold_id, account_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX time_hold_host_by_account ON time_hold_host (account_id);
