-- What a plan said of how a step is done, where it was logged otherwise: taking the entry back brings it back.
ALTER TABLE cup_step ADD COLUMN planned_how VARCHAR(200) NULL;
