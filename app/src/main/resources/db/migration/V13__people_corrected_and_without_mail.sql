-- Somebody at the door may have no e-mail address; then it is ''. Whoever has one is still one person by it.
PRAGMA defer_foreign_keys = ON;
CREATE TABLE person_before AS SELECT * FROM person;
CREATE TABLE different_before AS SELECT * FROM different_people;
DROP TABLE person;
CREATE TABLE person (
  id INTEGER PRIMARY KEY,
  email TEXT NOT NULL,
  name TEXT NOT NULL,
  phone TEXT NOT NULL,
  zone TEXT NOT NULL,
  created_at TEXT NOT NULL,
  -- Of the links to all registrations of a person.
  generation INTEGER NOT NULL DEFAULT 1
) STRICT;
INSERT INTO person (id, email, name, phone, zone, created_at, generation)
  SELECT id, email, name, phone, zone, created_at, generation FROM person_before;
DROP TABLE person_before;
CREATE UNIQUE INDEX person_by_email ON person (email) WHERE email <> '';
CREATE INDEX person_by_name ON person (name, id);
INSERT OR IGNORE INTO different_people SELECT * FROM different_before;
DROP TABLE different_before;

-- An address somebody wants to have instead of theirs, until they have shown that it is theirs too.
CREATE TABLE new_address (
  person_id INTEGER PRIMARY KEY REFERENCES person (id) ON DELETE CASCADE,
  email TEXT NOT NULL,
  generation INTEGER NOT NULL,
  asked_at TEXT NOT NULL
) STRICT;

-- Who does not want to swap is not asked again.
CREATE TABLE swap_declined (
  swap_id INTEGER NOT NULL REFERENCES swap (id) ON DELETE CASCADE,
  registration_id INTEGER NOT NULL REFERENCES registration (id),
  PRIMARY KEY (swap_id, registration_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX swap_declined_by_registration ON swap_declined (registration_id);

-- A meeting link that failed is still asked for, each hour.
DROP INDEX session_wants_link;
CREATE INDEX session_wants_link ON session (link_next_at) WHERE link_state IN ('WANTED', 'FAILED');
UPDATE session SET link_next_at = starts_at WHERE link_state = 'FAILED' AND link_next_at IS NULL
  AND starts_at > strftime('%Y-%m-%dT%H:%M:%fZ', 'now');
