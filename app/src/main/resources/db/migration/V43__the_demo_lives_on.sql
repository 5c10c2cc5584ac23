-- Until when the demo's people have lived; empty before its day begins.
ALTER TABLE demo_clock ADD COLUMN lived_until TEXT;
