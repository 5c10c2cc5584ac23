-- E-mails as they were handed to a mail server, compressed (RFC 1952).
CREATE TABLE sent_copy (
  message_id INTEGER PRIMARY KEY,
  message_key TEXT NOT NULL,
  source BLOB NOT NULL,
  sent_at TEXT NOT NULL
) STRICT;
CREATE INDEX sent_copy_by_key ON sent_copy (message_key);
