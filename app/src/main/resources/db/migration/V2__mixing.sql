-- Turners with their speed, measuring cups, and batches.

CREATE TABLE turner (
  id   BIGINT      NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(40) NOT NULL UNIQUE,
  rpm  DOUBLE      NOT NULL CHECK (rpm > 0)
) ENGINE = InnoDB;

-- Spindles that are there already turn at an ordinary speed until the maker says otherwise.
INSERT INTO turner (name, rpm) VALUES ('Turner', 6);
ALTER TABLE spindle ADD COLUMN turner_id BIGINT NULL;
UPDATE spindle SET turner_id = (SELECT MIN(id) FROM turner);
ALTER TABLE spindle MODIFY turner_id BIGINT NOT NULL, ADD FOREIGN KEY (turner_id) REFERENCES turner (id);

CREATE TABLE measuring_cup (
  id          BIGINT      NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name        VARCHAR(40) NOT NULL UNIQUE,
  capacity_ml DOUBLE      NOT NULL,
  mark_ml     DOUBLE      NOT NULL,
  bottom_mm   DOUBLE      NOT NULL,
  top_mm      DOUBLE      NOT NULL,
  at_hand     BOOLEAN     NOT NULL DEFAULT FALSE
) ENGINE = InnoDB;

INSERT INTO measuring_cup (name, capacity_ml, mark_ml, bottom_mm, top_mm, at_hand)
SELECT 'Measuring cup', COALESCE((SELECT cup_ml FROM shop), 60), COALESCE((SELECT mark_ml FROM shop), 2.5), 34, 42, TRUE;
ALTER TABLE shop DROP COLUMN mark_ml, DROP COLUMN cup_ml;

ALTER TABLE resin ADD COLUMN pot_life DOUBLE NULL, ADD COLUMN tolerance DOUBLE NULL;

-- The ratio is kept with the batch: a label corrected later does not change what was measured.
CREATE TABLE batch (
  id           BIGINT       NOT NULL AUTO_INCREMENT PRIMARY KEY,
  resin_id     BIGINT       NOT NULL,
  cup_id       BIGINT       NOT NULL,
  ratio        VARCHAR(24)  NOT NULL,
  planned_a_ml DOUBLE       NOT NULL,
  planned_b_ml DOUBLE       NOT NULL,
  pot_minutes  DOUBLE       NOT NULL,
  started_at   DATETIME(3)  NOT NULL,
  started_by   VARCHAR(40)  NOT NULL,
  actual_a_ml  DOUBLE       NULL,
  actual_b_ml  DOUBLE       NULL,
  mixed_at     DATETIME(3)  NULL,
  closed_at    DATETIME(3)  NULL,
  leftover_ml  DOUBLE       NULL,
  FOREIGN KEY (resin_id) REFERENCES resin (id),
  FOREIGN KEY (cup_id) REFERENCES measuring_cup (id)
) ENGINE = InnoDB;

CREATE TABLE batch_share (
  batch_id   BIGINT NOT NULL,
  position   INT    NOT NULL,
  cup_id     BIGINT NOT NULL,
  step       INT    NOT NULL,
  share_ml   DOUBLE NOT NULL,
  PRIMARY KEY (batch_id, position),
  FOREIGN KEY (batch_id) REFERENCES batch (id),
  FOREIGN KEY (cup_id, step) REFERENCES cup_step (cup_id, number)
) ENGINE = InnoDB;

ALTER TABLE log_entry ADD COLUMN batch_id BIGINT NULL, ADD FOREIGN KEY (batch_id) REFERENCES batch (id);
