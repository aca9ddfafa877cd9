-- How a step was done, where that is not how its plan has it, belongs to the entry that tells of it: corrected with it, and
-- taken back with it. What stood in the plan as done goes to the entry; the plan says again what it said.
ALTER TABLE log_entry ADD COLUMN how VARCHAR(200) NULL;

UPDATE log_entry e
  JOIN cup_step s ON s.cup_id = e.cup_id AND s.number = e.step
  LEFT JOIN log_entry c ON c.cancels_id = e.id
SET e.how = s.how
WHERE s.planned_how IS NOT NULL AND e.kind IN ('DONE', 'POURED') AND c.id IS NULL;

UPDATE cup_step SET how = planned_how WHERE planned_how IS NOT NULL;

ALTER TABLE cup_step DROP COLUMN planned_how;
