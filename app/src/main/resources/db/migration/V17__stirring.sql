-- When the guide's steps of stirring were touched as done: what is behind a soft streak may be told from it.
ALTER TABLE batch
  ADD COLUMN stirred_at DATETIME(3) NULL,
  ADD COLUMN second_cup_at DATETIME(3) NULL,
  ADD COLUMN rested_at DATETIME(3) NULL;
