-- Counting who is owed seats went through everybody who waits, by way of registration_by_session. The order of rosters now
-- carries what counting needs, and that index goes: each registration has one less to be written into.
DROP INDEX registration_by_session;
DROP INDEX registration_by_rank;
CREATE INDEX registration_by_rank ON registration (session_id,
  (CASE state WHEN 'REGISTERED' THEN 0 WHEN 'UNCONFIRMED' THEN 1 WHEN 'MAYBE' THEN 2 WHEN 'CALLED_UP' THEN 3
    WHEN 'WAITLISTED' THEN 4 WHEN 'DECLINED' THEN 5 ELSE 6 END), id, state, party);
