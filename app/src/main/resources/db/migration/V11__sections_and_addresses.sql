-- Each section of an offering is kept on its own: two people may change two sections at once, and only who changes the
-- same one is asked. A section without a row was never changed.
CREATE TABLE section_version (
  offering_id INTEGER NOT NULL REFERENCES offering (id) ON DELETE CASCADE,
  part TEXT NOT NULL,
  version INTEGER NOT NULL CHECK (version > 0),
  PRIMARY KEY (offering_id, part)
) STRICT, WITHOUT ROWID;

-- Names an offering had in addresses before; they still lead to it.
CREATE TABLE former_slug (
  slug TEXT NOT NULL PRIMARY KEY,
  offering_id INTEGER NOT NULL REFERENCES offering (id) ON DELETE CASCADE
) STRICT, WITHOUT ROWID;
CREATE INDEX former_slug_by_offering ON former_slug (offering_id);

-- Two people of whom somebody said that they are two, though they share a name or a phone.
CREATE TABLE different_people (
  person_id INTEGER NOT NULL REFERENCES person (id) ON DELETE CASCADE,
  other_id INTEGER NOT NULL REFERENCES person (id) ON DELETE CASCADE,
  PRIMARY KEY (person_id, other_id),
  CHECK (person_id < other_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX different_people_by_other ON different_people (other_id);

-- What a person's own calendar entry counts up with, so that it follows a move, a swap or an end (RFC 5545, 3.8.7.4).
ALTER TABLE registration ADD COLUMN sequence INTEGER NOT NULL DEFAULT 0;
