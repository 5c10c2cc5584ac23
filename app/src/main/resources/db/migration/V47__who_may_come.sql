-- Whom a guest link is for, an address or @domain a line, proven by a mailed code; empty for everybody who has it. What guests agree to.
ALTER TABLE guest_link ADD COLUMN who_may TEXT NOT NULL DEFAULT '';
ALTER TABLE guest_link ADD COLUMN agreement TEXT NOT NULL DEFAULT '';
ALTER TABLE arrival ADD COLUMN is_proven INTEGER NOT NULL DEFAULT 0;
ALTER TABLE arrival ADD COLUMN agreed_to TEXT NOT NULL DEFAULT '';
