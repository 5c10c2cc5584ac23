-- Changes are told of for tables with a rowid only, and pages of the desk are kept until something they show changes.
CREATE TABLE hand_mark_before AS SELECT registration_id, session_id, verdict, marked_by, marked_at FROM hand_mark;
DROP TABLE hand_mark;
CREATE TABLE hand_mark (
  registration_id INTEGER NOT NULL REFERENCES registration (id),
  session_id INTEGER NOT NULL REFERENCES session (id),
  verdict TEXT NOT NULL CHECK (verdict IN ('ATTENDED', 'PART', 'ABSENT')),
  marked_by TEXT NOT NULL,
  marked_at TEXT NOT NULL,
  PRIMARY KEY (registration_id, session_id)
) STRICT;
INSERT INTO hand_mark SELECT registration_id, session_id, verdict, marked_by, marked_at FROM hand_mark_before;
DROP TABLE hand_mark_before;
CREATE INDEX hand_mark_by_session ON hand_mark (session_id);

CREATE TABLE offering_host_before AS SELECT offering_id, account_id, place FROM offering_host;
DROP TABLE offering_host;
CREATE TABLE offering_host (
  offering_id INTEGER NOT NULL REFERENCES offering (id) ON DELETE CASCADE,
  account_id INTEGER NOT NULL REFERENCES account (id),
  place INTEGER NOT NULL,
  PRIMARY KEY (offering_id, account_id)
) STRICT;
INSERT INTO offering_host SELECT offering_id, account_id, place FROM offering_host_before;
DROP TABLE offering_host_before;
CREATE INDEX offering_host_by_account ON offering_host (account_id);

-- Only read where session.is_own_hosts is 1; otherwise the offering's hosts lead the session.
CREATE TABLE session_host_before AS SELECT session_id, account_id, place FROM session_host;
DROP TABLE session_host;
CREATE TABLE session_host (
  session_id INTEGER NOT NULL REFERENCES session (id) ON DELETE CASCADE,
  account_id INTEGER NOT NULL REFERENCES account (id),
  place INTEGER NOT NULL,
  PRIMARY KEY (session_id, account_id)
) STRICT;
INSERT INTO session_host SELECT session_id, account_id, place FROM session_host_before;
DROP TABLE session_host_before;
CREATE INDEX session_host_by_account ON session_host (account_id);
