-- Whether people may move to another date or time themselves, and cancel, and until how long before the start.
ALTER TABLE offering ADD COLUMN is_move_allowed INTEGER NOT NULL DEFAULT 1 CHECK (is_move_allowed IN (0, 1));
ALTER TABLE offering ADD COLUMN move_minutes INTEGER NOT NULL DEFAULT 0 CHECK (move_minutes >= 0);
ALTER TABLE offering ADD COLUMN is_cancel_allowed INTEGER NOT NULL DEFAULT 1 CHECK (is_cancel_allowed IN (0, 1));
-- 0: until the end.
ALTER TABLE offering ADD COLUMN cancel_minutes INTEGER NOT NULL DEFAULT 0 CHECK (cancel_minutes >= 0);
UPDATE offering SET move_minutes = changes_minutes;
