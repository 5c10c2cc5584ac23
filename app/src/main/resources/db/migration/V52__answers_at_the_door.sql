-- Questions of an offering whose answers are shown at its doors.
CREATE TABLE door_question (
  question_id INTEGER PRIMARY KEY REFERENCES question (id) ON DELETE CASCADE
) STRICT;
