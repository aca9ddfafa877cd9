-- A turner's speed that nobody has counted yet says so.
ALTER TABLE turner ADD COLUMN speed_assumed BOOLEAN NOT NULL DEFAULT FALSE;
UPDATE turner SET speed_assumed = TRUE WHERE NOT EXISTS (SELECT 1 FROM cup);
