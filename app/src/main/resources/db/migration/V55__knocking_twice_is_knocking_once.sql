-- Names the form with which somebody knocked, so that sending it twice counts once; empty where none is known.
ALTER TABLE arrival ADD COLUMN submission TEXT NOT NULL DEFAULT '';
CREATE UNIQUE INDEX arrival_by_submission ON arrival (session_id, submission) WHERE submission <> '';
ALTER TABLE room_visit ADD COLUMN submission TEXT NOT NULL DEFAULT '';
CREATE UNIQUE INDEX room_visit_by_submission ON room_visit (room_id, submission) WHERE submission <> '';
