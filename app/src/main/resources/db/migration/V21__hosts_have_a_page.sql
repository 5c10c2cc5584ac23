-- The name of a member in addresses, where it was given by hand, and the names they had before, which lead on.
CREATE TABLE host_name (
  slug TEXT PRIMARY KEY,
  account_id INTEGER NOT NULL REFERENCES account (id) ON DELETE CASCADE,
  is_current INTEGER NOT NULL CHECK (is_current IN (0, 1))
) STRICT, WITHOUT ROWID;
