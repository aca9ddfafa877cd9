-- Why something was done against the label or practice: the answer to one question about one entry. Before, it stood in
-- the entry's note and answered whatever had been asked.
CREATE TABLE entry_question (
  entry_id BIGINT       NOT NULL,
  question VARCHAR(40)  NOT NULL,
  reason   VARCHAR(400) NOT NULL,
  PRIMARY KEY (entry_id, question),
  FOREIGN KEY (entry_id) REFERENCES log_entry (id)
) ENGINE = InnoDB;
INSERT INTO entry_question (entry_id, question, reason)
SELECT id, 'ALL', LEFT(TRIM(SUBSTRING_INDEX(note, 'All the same, because: ', -1)), 400) FROM log_entry
WHERE note REGEXP '(^|\n)All the same, because: ';
UPDATE log_entry SET note = REGEXP_REPLACE(SUBSTRING_INDEX(note, 'All the same, because: ', 1), '\\s+$', '')
WHERE note REGEXP '(^|\n)All the same, because: ';

-- A step's number is its name and is never given to another, also when the step was taken out of the plan.
ALTER TABLE cup ADD COLUMN next_step INT NOT NULL DEFAULT 1;
UPDATE cup c SET next_step = 1 + GREATEST(
  COALESCE((SELECT MAX(s.number) FROM cup_step s WHERE s.cup_id = c.id), 0),
  COALESCE((SELECT MAX(m.step) FROM cup_material m WHERE m.cup_id = c.id), 0),
  COALESCE((SELECT MAX(b.step) FROM step_begun b WHERE b.cup_id = c.id), 0),
  COALESCE((SELECT MAX(t.step) FROM step_timed t WHERE t.cup_id = c.id), 0),
  COALESCE((SELECT MAX(w.step) FROM material_weighing w WHERE w.cup_id = c.id), 0),
  COALESCE((SELECT MAX(v.step) FROM material_move v WHERE v.cup_id = c.id), 0),
  COALESCE((SELECT MAX(l.step) FROM material_weighed l WHERE l.cup_id = c.id), 0),
  COALESCE((SELECT MAX(p.step) FROM photo p WHERE p.cup_id = c.id), 0));

-- What belongs to a step goes with it.
DELETE m FROM cup_material m LEFT JOIN cup_step s ON s.cup_id = m.cup_id AND s.number = m.step WHERE s.cup_id IS NULL;
DELETE b FROM step_begun b LEFT JOIN cup_step s ON s.cup_id = b.cup_id AND s.number = b.step WHERE s.cup_id IS NULL;
DELETE t FROM step_timed t LEFT JOIN cup_step s ON s.cup_id = t.cup_id AND s.number = t.step WHERE s.cup_id IS NULL;
DELETE w FROM material_weighing w LEFT JOIN cup_step s ON s.cup_id = w.cup_id AND s.number = w.step WHERE s.cup_id IS NULL;
ALTER TABLE cup_material ADD FOREIGN KEY (cup_id, step) REFERENCES cup_step (cup_id, number) ON DELETE CASCADE;
ALTER TABLE step_begun ADD FOREIGN KEY (cup_id, step) REFERENCES cup_step (cup_id, number) ON DELETE CASCADE;
ALTER TABLE step_timed ADD FOREIGN KEY (cup_id, step) REFERENCES cup_step (cup_id, number) ON DELETE CASCADE;
ALTER TABLE material_weighing ADD FOREIGN KEY (cup_id, step) REFERENCES cup_step (cup_id, number) ON DELETE CASCADE;

-- A pack of blanks is of a blank on the shelf, whatever either is called later.
ALTER TABLE material ADD COLUMN blank_id BIGINT NULL, ADD FOREIGN KEY (blank_id) REFERENCES blank (id);
UPDATE material m JOIN blank b ON b.name = m.name SET m.blank_id = b.id WHERE m.kind = 'BLANK';

-- Held while a form that edits what is kept looks whether it is still what it showed, and saves.
INSERT INTO stamp (what, version) VALUES ('forms', 1);

-- Wrong secrets are counted for each device that joined by itself, and for all others together: whoever tries from
-- elsewhere locks nobody out of the tablet at the bench. Counted before a secret is compared.
CREATE TABLE maker_try (
  maker_id  BIGINT      NOT NULL,
  -- 0 for whatever has not joined.
  device_id BIGINT      NOT NULL,
  pin       BOOLEAN     NOT NULL,
  tries     INT         NOT NULL,
  tried_at  DATETIME(3) NOT NULL,
  PRIMARY KEY (maker_id, device_id, pin),
  FOREIGN KEY (maker_id) REFERENCES maker (id) ON DELETE CASCADE
) ENGINE = InnoDB;
ALTER TABLE maker DROP COLUMN tries, DROP COLUMN tried_at, DROP COLUMN pin_tries;

-- What a cup's log comes to is kept with the cup and grows with every entry: nobody adds up the logs of all of them.
ALTER TABLE cup ADD COLUMN poured_ml DOUBLE NOT NULL DEFAULT 0, ADD COLUMN coats INT NOT NULL DEFAULT 0, ADD COLUMN last_at DATETIME(3) NULL,
  ADD INDEX (started_at), ADD INDEX (left_how, started_at);
UPDATE cup c JOIN (
  SELECT e.cup_id, COALESCE(SUM(e.amount_ml), 0) AS ml, COUNT(e.amount_ml) AS coats, MAX(e.happened_at) AS last_at
  FROM log_entry e LEFT JOIN log_entry x ON x.cancels_id = e.id
  WHERE e.kind <> 'CANCELLED' AND x.id IS NULL GROUP BY e.cup_id) l ON l.cup_id = c.id
SET c.poured_ml = l.ml, c.coats = l.coats, c.last_at = l.last_at;
ALTER TABLE log_entry ADD INDEX (kind, cup_id);

-- What was written about a cup, together: looked for without reading every log there is.
CREATE TABLE cup_said (
  cup_id BIGINT     NOT NULL PRIMARY KEY,
  said   MEDIUMTEXT NOT NULL,
  FOREIGN KEY (cup_id) REFERENCES cup (id)
) ENGINE = InnoDB;
SET SESSION group_concat_max_len = 16000000;
INSERT INTO cup_said (cup_id, said) SELECT cup_id, GROUP_CONCAT(note ORDER BY id SEPARATOR '\n') FROM log_entry WHERE note <> '' GROUP BY cup_id;
