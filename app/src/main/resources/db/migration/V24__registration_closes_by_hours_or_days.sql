-- Registration may close some calendar days before the start, which are not always 24 hours each.
ALTER TABLE offering RENAME COLUMN cutoff_minutes TO cutoff_amount;
ALTER TABLE offering ADD COLUMN cutoff_unit TEXT NOT NULL DEFAULT 'HOURS' CHECK (cutoff_unit IN ('MINUTES', 'HOURS', 'DAYS', 'WEEKS'));
UPDATE offering SET cutoff_unit = 'MINUTES' WHERE cutoff_amount % 60 <> 0;
UPDATE offering SET cutoff_amount = cutoff_amount / 60 WHERE cutoff_unit = 'HOURS';
