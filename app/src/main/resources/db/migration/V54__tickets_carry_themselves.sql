-- When a room of the meeting stand-in was ended; tickets from before are worth nothing.
CREATE TABLE meeting_shut (
  room TEXT PRIMARY KEY,
  shut_at TEXT NOT NULL
) STRICT;
