-- Outside services that are not to be used for now; a service that is not here is connected.
CREATE TABLE service_cut (
  service TEXT PRIMARY KEY,
  cut_at TEXT NOT NULL,
  cut_by TEXT NOT NULL
) STRICT;
