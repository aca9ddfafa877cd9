-- A measuring cup's marks are in the unit printed on it, whatever the shop reads in. Marks of a shop in fluid ounces that
-- are no quarters of a millilitre were printed in ounces.
ALTER TABLE measuring_cup ADD COLUMN marks VARCHAR(8) NOT NULL DEFAULT 'ML' AFTER mark_ml;
UPDATE measuring_cup SET marks = 'FL_OZ'
WHERE ABS(mark_ml * 4 - ROUND(mark_ml * 4)) > 0.001 AND EXISTS (SELECT 1 FROM shop WHERE volume_unit = 'FL_OZ');

-- A blank comes back as the tape read: its unit, then the fields that were in the other.
ALTER TABLE blank ADD COLUMN taped VARCHAR(400) NULL;

-- A mix begun by scale goes on by scale.
ALTER TABLE batch ADD COLUMN by_scale BOOLEAN NOT NULL DEFAULT FALSE;

-- How the shop reads its clock, and the day its week begins with (1 is Monday).
ALTER TABLE shop
  ADD COLUMN clock VARCHAR(8) NOT NULL DEFAULT 'H24',
  ADD COLUMN week_starts TINYINT NOT NULL DEFAULT 1 CHECK (week_starts BETWEEN 1 AND 7);
