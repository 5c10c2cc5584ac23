-- Name and address as a search compares them, so that looking for somebody reads one narrow index from end to end. Those who
-- are there already get theirs right after, as folding is not a thing the store can do by itself.
ALTER TABLE person ADD COLUMN folded TEXT NOT NULL DEFAULT '';
DROP INDEX person_by_name;
CREATE INDEX person_by_folded ON person (folded);
