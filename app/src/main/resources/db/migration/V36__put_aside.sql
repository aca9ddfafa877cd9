-- What of a mix was put aside for later, beside what was thrown away.
ALTER TABLE batch ADD COLUMN aside_ml DOUBLE NULL AFTER leftover_ml;
