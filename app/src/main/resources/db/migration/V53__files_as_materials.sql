-- A material that is a file, kept here; its address is made when it is shown.
CREATE TABLE material_file (
  material_id INTEGER PRIMARY KEY REFERENCES material (id) ON DELETE CASCADE,
  name TEXT NOT NULL,
  type TEXT NOT NULL,
  content BLOB NOT NULL
) STRICT;
ALTER TABLE material ADD COLUMN size INTEGER NOT NULL DEFAULT 0;
