-- Labels and blanks in editions; cups that leave the floor; wishes as what they are; what a year and a thousand cups need.

-- Counts on whenever something that is kept in memory changes.
CREATE TABLE stamp (
  what    VARCHAR(16) NOT NULL PRIMARY KEY,
  version BIGINT      NOT NULL
) ENGINE = InnoDB;
INSERT INTO stamp (what, version) VALUES ('room', 1), ('shelf', 1);

-- A resin's label as it was copied down, put right, changed or learned. Only ever added to.
CREATE TABLE resin_edition (
  resin_id           BIGINT       NOT NULL,
  number             INT          NOT NULL,
  product            INT          NOT NULL,
  made_at            DATETIME(3)  NOT NULL,
  made_by            VARCHAR(40)  NOT NULL,
  why                VARCHAR(12)  NOT NULL,
  ratio              VARCHAR(24)  NOT NULL,
  working_h          DOUBLE       NOT NULL,
  turning_h          DOUBLE       NOT NULL,
  recoat_from_h      DOUBLE       NOT NULL,
  recoat_until_h     DOUBLE       NOT NULL,
  sandable_from_h    DOUBLE       NOT NULL,
  sandable_sure_h    DOUBLE       NOT NULL,
  scuff_after_h      DOUBLE       NOT NULL,
  cured_h            DOUBLE       NOT NULL,
  full_cure_h        DOUBLE       NOT NULL,
  reference_c        DOUBLE       NOT NULL,
  activation         DOUBLE       NOT NULL,
  density_a          DOUBLE       NULL,
  density_b          DOUBLE       NULL,
  viscosity          DOUBLE       NULL,
  pot_life           DOUBLE       NULL,
  tolerance          DOUBLE       NULL,
  source             VARCHAR(200) NOT NULL,
  found_speed        DOUBLE       NULL CHECK (found_speed > 0),
  found_activation   DOUBLE       NULL CHECK (found_activation > 0),
  found_observations INT          NULL,
  PRIMARY KEY (resin_id, number),
  FOREIGN KEY (resin_id) REFERENCES resin (id)
) ENGINE = InnoDB;

INSERT INTO resin_edition
SELECT id, 1, 1, '2000-01-01', '', 'FIRST', ratio, working_h, turning_h, recoat_from_h, recoat_until_h, sandable_from_h, sandable_sure_h, scuff_after_h,
  cured_h, full_cure_h, reference_c, activation, density_a, density_b, viscosity, pot_life, tolerance, source, NULL, NULL, NULL
FROM resin;
INSERT INTO resin_edition
SELECT r.id, 2, 1, f.accepted_at, f.accepted_by, 'LEARNED', r.ratio, r.working_h, r.turning_h, r.recoat_from_h, r.recoat_until_h, r.sandable_from_h,
  r.sandable_sure_h, r.scuff_after_h, r.cured_h, r.full_cure_h, r.reference_c, r.activation, r.density_a, r.density_b, r.viscosity, r.pot_life, r.tolerance,
  r.source, f.speed, f.activation, f.observations
FROM resin r JOIN resin_found f ON f.resin_id = r.id;
DROP TABLE resin_found;
ALTER TABLE resin DROP COLUMN ratio, DROP COLUMN working_h, DROP COLUMN turning_h, DROP COLUMN recoat_from_h, DROP COLUMN recoat_until_h,
  DROP COLUMN sandable_from_h, DROP COLUMN sandable_sure_h, DROP COLUMN scuff_after_h, DROP COLUMN cured_h, DROP COLUMN full_cure_h, DROP COLUMN reference_c,
  DROP COLUMN activation, DROP COLUMN density_a, DROP COLUMN density_b, DROP COLUMN viscosity, DROP COLUMN pot_life, DROP COLUMN tolerance, DROP COLUMN source;

-- A blank as it was measured, measured again, or bought in another shape.
CREATE TABLE blank_edition (
  blank_id      BIGINT      NOT NULL,
  number        INT         NOT NULL,
  product       INT         NOT NULL,
  made_at       DATETIME(3) NOT NULL,
  made_by       VARCHAR(40) NOT NULL,
  why           VARCHAR(12) NOT NULL,
  form          VARCHAR(16) NOT NULL,
  base_coated   BOOLEAN     NOT NULL,
  rim_bare_mm   DOUBLE      NOT NULL,
  base_bare_mm  DOUBLE      NOT NULL,
  handle_gap_mm DOUBLE      NOT NULL,
  nominal_oz    DOUBLE      NULL,
  PRIMARY KEY (blank_id, number),
  FOREIGN KEY (blank_id) REFERENCES blank (id)
) ENGINE = InnoDB;
INSERT INTO blank_edition
SELECT id, 1, 1, '2000-01-01', '', 'FIRST', form, base_coated, rim_bare_mm, base_bare_mm, handle_gap_mm, nominal_oz FROM blank;
ALTER TABLE blank DROP COLUMN form, DROP COLUMN base_coated, DROP COLUMN rim_bare_mm, DROP COLUMN base_bare_mm, DROP COLUMN handle_gap_mm, DROP COLUMN nominal_oz;

ALTER TABLE blank_station DROP FOREIGN KEY blank_station_ibfk_1;
ALTER TABLE blank_station ADD COLUMN edition INT NOT NULL DEFAULT 1 AFTER blank_id, DROP PRIMARY KEY, ADD PRIMARY KEY (blank_id, edition, position),
  ADD FOREIGN KEY (blank_id, edition) REFERENCES blank_edition (blank_id, number);

-- When a cup leaves the floor, worked out whenever something happens to it: far away while there is work on it; and how
-- often it, its steps or its log were changed.
ALTER TABLE cup ADD COLUMN blank_edition INT NOT NULL DEFAULT 1, ADD COLUMN leaves_at DATETIME(3) NOT NULL DEFAULT '9999-12-31',
  ADD COLUMN left_how VARCHAR(16) NOT NULL DEFAULT '', ADD COLUMN version INT NOT NULL DEFAULT 0, ADD INDEX (leaves_at), ADD FOREIGN KEY (blank_id, blank_edition) REFERENCES blank_edition (blank_id, number);
UPDATE cup c JOIN log_entry e ON e.cup_id = c.id AND e.kind = 'HANDED_OVER' LEFT JOIN log_entry x ON x.cancels_id = e.id
SET c.leaves_at = e.happened_at, c.left_how = 'HANDED_OVER' WHERE x.id IS NULL;

-- A coat keeps the edition of the label it was poured with.
ALTER TABLE log_entry ADD COLUMN resin_id BIGINT NULL, ADD COLUMN resin_edition INT NULL,
  ADD FOREIGN KEY (resin_id, resin_edition) REFERENCES resin_edition (resin_id, number), ADD INDEX (touch);
UPDATE log_entry e JOIN cup c ON c.id = e.cup_id JOIN cup_step s ON s.cup_id = e.cup_id AND s.number = e.step
SET e.resin_id = IF(s.kind = 'FINISHING_COAT', c.last_resin_id, c.base_resin_id), e.resin_edition = 1 WHERE e.kind = 'POURED';

-- Waits by their own names.
UPDATE cup_step SET wait_kind = CASE wait_kind WHEN 'None' THEN 'none' WHEN 'Dry' THEN 'dry' WHEN 'Settle' THEN 'settle' WHEN 'Into' THEN 'into-coat'
  WHEN 'Age' THEN 'age' WHEN 'StraightOn' THEN 'straight-on' WHEN 'Sandable' THEN 'sandable' WHEN 'Cured' THEN 'cured' END;

ALTER TABLE batch CHANGE COLUMN cup_id measuring_cup_id BIGINT NOT NULL, ADD INDEX (closed_at);

-- What was drawn from a bottle so far is counted on with every draw: after ten years nobody adds them all up for each page.
ALTER TABLE bottle ADD COLUMN drawn_ml DOUBLE NOT NULL DEFAULT 0;
UPDATE bottle b SET drawn_ml = (SELECT COALESCE(SUM(d.ml), 0) FROM bottle_draw d WHERE d.bottle_id = b.id);

-- What a coat poured without a batch took out of the bottles.
ALTER TABLE bottle_draw ADD COLUMN entry_id BIGINT NULL, ADD FOREIGN KEY (entry_id) REFERENCES log_entry (id);

-- One reading for a place and a moment, whoever sends it twice.
DELETE a FROM room_reading a JOIN room_reading b ON b.place = a.place AND b.taken_at = a.taken_at AND b.id < a.id;
ALTER TABLE room_reading DROP INDEX taken_at, DROP INDEX place, ADD UNIQUE (place, taken_at);

ALTER TABLE submission ADD INDEX (received_at);

-- Pins and plans name steps that are there.
DELETE p FROM plan_pin p LEFT JOIN cup_step s ON s.cup_id = p.cup_id AND s.number = p.step WHERE s.cup_id IS NULL;
ALTER TABLE plan_pin ADD FOREIGN KEY (cup_id, step) REFERENCES cup_step (cup_id, number) ON DELETE CASCADE;

UPDATE week_plan SET state = 'REPLACED' WHERE state = 'KEPT' AND id NOT IN (SELECT plan_id FROM week_plan_kept WHERE plan_id IS NOT NULL);
UPDATE week_plan_kept SET plan_id = NULL WHERE plan_id NOT IN (SELECT id FROM week_plan);
ALTER TABLE week_plan_kept ADD FOREIGN KEY (plan_id) REFERENCES week_plan (id);
UPDATE week_plan p LEFT JOIN week_plan b ON b.id = p.base_id SET p.base_id = NULL WHERE b.id IS NULL;
ALTER TABLE week_plan ADD FOREIGN KEY (base_id) REFERENCES week_plan (id) ON DELETE SET NULL, ADD INDEX (made_at);

-- A step belongs to a cup, or to one that is only wanted.
ALTER TABLE week_plan_step ADD COLUMN cup_id BIGINT NULL, ADD COLUMN wanted INT NULL;
UPDATE week_plan_step s LEFT JOIN cup c ON c.code = s.cup_code SET s.cup_id = c.id, s.wanted = IF(c.id IS NULL, CAST(SUBSTRING(s.cup_code, 5) AS INT), NULL);
DELETE p FROM week_plan_step p LEFT JOIN cup_step s ON s.cup_id = p.cup_id AND s.number = p.step WHERE p.cup_id IS NOT NULL AND s.cup_id IS NULL;
ALTER TABLE week_plan_step DROP PRIMARY KEY, DROP COLUMN cup_code, ADD UNIQUE (plan_id, cup_id, step), ADD UNIQUE (plan_id, wanted, step),
  ADD CHECK ((cup_id IS NULL) <> (wanted IS NULL)), ADD FOREIGN KEY (cup_id, step) REFERENCES cup_step (cup_id, number) ON DELETE CASCADE;

-- What a proposed plan was asked for. Proposals open at this change are dropped: what they asked for was kept as it was typed.
DELETE s FROM week_plan_step s JOIN week_plan p ON p.id = s.plan_id WHERE p.state = 'PROPOSED';
DROP TABLE week_plan_change;
DELETE FROM week_plan WHERE state = 'PROPOSED';
CREATE TABLE plan_wish (
  plan_id       BIGINT       NOT NULL,
  position      INT          NOT NULL,
  kind          VARCHAR(12)  NOT NULL,
  cup_id        BIGINT       NULL,
  step          INT          NULL,
  -- how many, or how much
  number        INT          NULL,
  at            DATETIME(3)  NULL,
  day           DATE         NULL,
  hours         VARCHAR(100) NULL,
  resin_id      BIGINT       NULL,
  last_resin_id BIGINT       NULL,
  -- an order's own
  name          VARCHAR(80)  NULL,
  made_for      VARCHAR(80)  NULL,
  technique     VARCHAR(80)  NULL,
  blank_id      BIGINT       NULL,
  matters       INT          NULL,
  PRIMARY KEY (plan_id, position),
  FOREIGN KEY (plan_id) REFERENCES week_plan (id) ON DELETE CASCADE,
  FOREIGN KEY (cup_id) REFERENCES cup (id),
  -- an order that was never taken keeps nothing on the shelf
  FOREIGN KEY (resin_id) REFERENCES resin (id) ON DELETE SET NULL,
  FOREIGN KEY (last_resin_id) REFERENCES resin (id) ON DELETE SET NULL,
  FOREIGN KEY (blank_id) REFERENCES blank (id) ON DELETE SET NULL
) ENGINE = InnoDB;
