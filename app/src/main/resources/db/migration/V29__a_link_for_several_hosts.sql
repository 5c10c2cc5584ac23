-- A link that gives one person one time may leave it to several hosts.
CREATE TABLE time_link_host (
  time_link_id INTEGER NOT NULL REFERENCES time_link (id) ON DELETE CASCADE,
  account_id INTEGER NOT NULL REFERENCES account (id) ON DELETE CASCADE,
  PRIMARY KEY (time_link_id, account_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX time_link_host_by_account ON time_link_host (account_id);
INSERT INTO time_link_host (time_link_id, account_id)
  SELECT id, account_id FROM time_link WHERE account_id IS NOT NULL;
ALTER TABLE time_link DROP COLUMN account_id;
