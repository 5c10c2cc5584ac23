-- Short names an offering had before; what was printed with them still leads to it.
CREATE TABLE former_short_code (
  code TEXT NOT NULL PRIMARY KEY,
  offering_id INTEGER NOT NULL REFERENCES offering (id) ON DELETE CASCADE
) STRICT, WITHOUT ROWID;
CREATE INDEX former_short_code_by_offering ON former_short_code (offering_id);
