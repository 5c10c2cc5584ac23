-- A letter is a template and what it is given; its words are made when it leaves. Letters queued before keep their words in
-- body and name no template. News of a change is given how things were.
ALTER TABLE message ADD COLUMN template TEXT NOT NULL DEFAULT '';
ALTER TABLE message ADD COLUMN given TEXT NOT NULL DEFAULT '';
