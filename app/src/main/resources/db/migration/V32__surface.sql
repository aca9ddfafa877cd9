-- Whether a blank came with a coat of powder from its maker: it needs neither scuffing nor paint.
ALTER TABLE blank_edition ADD COLUMN factory_coat BOOLEAN NOT NULL DEFAULT FALSE;
-- What was asked when a cup was handed over early goes by the table's name for it.
UPDATE entry_question SET question = 'NOT_FULLY_CURED' WHERE question = 'HANDED_OVER_EARLY';
