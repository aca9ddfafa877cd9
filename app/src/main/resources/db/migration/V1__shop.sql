-- Every moment is UTC. Every table is InnoDB. The log is only ever added to.

CREATE TABLE shop (
  id               TINYINT      NOT NULL PRIMARY KEY CHECK (id = 1),
  length_unit      VARCHAR(8)   NOT NULL,
  volume_unit      VARCHAR(8)   NOT NULL,
  temperature_unit VARCHAR(8)   NOT NULL,
  zone             VARCHAR(60)  NOT NULL,
  quiet_from       TIME         NOT NULL,
  quiet_until      TIME         NOT NULL,
  mark_ml          DOUBLE       NOT NULL CHECK (mark_ml > 0),
  cup_ml           DOUBLE       NOT NULL CHECK (cup_ml > 0)
) ENGINE = InnoDB;

CREATE TABLE room_reading (
  id            BIGINT       NOT NULL AUTO_INCREMENT PRIMARY KEY,
  taken_at      DATETIME(3)  NOT NULL,
  temperature_c DOUBLE       NOT NULL,
  recorded_by   VARCHAR(40)  NOT NULL,
  INDEX (taken_at)
) ENGINE = InnoDB;

CREATE TABLE blank (
  id            BIGINT       NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name          VARCHAR(80)  NOT NULL UNIQUE,
  form          VARCHAR(16)  NOT NULL,
  base_coated   BOOLEAN      NOT NULL,
  rim_bare_mm   DOUBLE       NOT NULL,
  base_bare_mm  DOUBLE       NOT NULL,
  handle_gap_mm DOUBLE       NOT NULL,
  nominal_oz    DOUBLE       NULL,
  version       INT          NOT NULL DEFAULT 0
) ENGINE = InnoDB;

CREATE TABLE blank_station (
  blank_id         BIGINT NOT NULL,
  position         INT    NOT NULL,
  height_mm        DOUBLE NOT NULL,
  circumference_mm DOUBLE NOT NULL,
  PRIMARY KEY (blank_id, position),
  FOREIGN KEY (blank_id) REFERENCES blank (id)
) ENGINE = InnoDB;

CREATE TABLE resin (
  id              BIGINT       NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name            VARCHAR(80)  NOT NULL UNIQUE,
  ratio           VARCHAR(24)  NOT NULL,
  working_h       DOUBLE       NOT NULL,
  turning_h       DOUBLE       NOT NULL,
  recoat_from_h   DOUBLE       NOT NULL,
  recoat_until_h  DOUBLE       NOT NULL,
  sandable_from_h DOUBLE       NOT NULL,
  sandable_sure_h DOUBLE       NOT NULL,
  scuff_after_h   DOUBLE       NOT NULL,
  cured_h         DOUBLE       NOT NULL,
  full_cure_h     DOUBLE       NOT NULL,
  reference_c     DOUBLE       NOT NULL,
  activation      DOUBLE       NOT NULL,
  density_a       DOUBLE       NULL,
  density_b       DOUBLE       NULL,
  viscosity       DOUBLE       NULL,
  source          VARCHAR(200) NOT NULL,
  version         INT          NOT NULL DEFAULT 0
) ENGINE = InnoDB;

CREATE TABLE spindle (
  id   BIGINT      NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(40) NOT NULL UNIQUE
) ENGINE = InnoDB;

CREATE TABLE cup (
  id              BIGINT       NOT NULL AUTO_INCREMENT PRIMARY KEY,
  code            VARCHAR(8)   NOT NULL UNIQUE,
  name            VARCHAR(80)  NOT NULL,
  made_for        VARCHAR(80)  NOT NULL,
  blank_id        BIGINT       NOT NULL,
  base_resin_id   BIGINT       NOT NULL,
  last_resin_id   BIGINT       NOT NULL,
  due_on          DATE         NULL,
  paint_colour    CHAR(7)      NOT NULL,
  glitter_colour  CHAR(7)      NOT NULL,
  schools         VARCHAR(400) NOT NULL,
  started_at      DATETIME(3)  NOT NULL,
  FOREIGN KEY (blank_id) REFERENCES blank (id),
  FOREIGN KEY (base_resin_id) REFERENCES resin (id),
  FOREIGN KEY (last_resin_id) REFERENCES resin (id)
) ENGINE = InnoDB;

CREATE TABLE cup_step (
  cup_id       BIGINT        NOT NULL,
  number       INT           NOT NULL,
  kind         VARCHAR(24)   NOT NULL,
  wait_kind    VARCHAR(16)   NOT NULL,
  wait_amount  DOUBLE        NOT NULL,
  detail       VARCHAR(1000) NOT NULL,
  role         VARCHAR(24)   NULL,
  PRIMARY KEY (cup_id, number),
  FOREIGN KEY (cup_id) REFERENCES cup (id)
) ENGINE = InnoDB;

CREATE TABLE log_entry (
  id          BIGINT      NOT NULL AUTO_INCREMENT PRIMARY KEY,
  cup_id      BIGINT      NOT NULL,
  kind        VARCHAR(16) NOT NULL,
  step        INT         NULL,
  amount_ml   DOUBLE      NULL,
  spindle_id  BIGINT      NULL,
  cancels_id  BIGINT      NULL UNIQUE,
  happened_at DATETIME(3) NOT NULL,
  recorded_at DATETIME(3) NOT NULL,
  recorded_by VARCHAR(40) NOT NULL,
  note        TEXT        NOT NULL,
  INDEX (cup_id),
  FOREIGN KEY (cup_id) REFERENCES cup (id),
  FOREIGN KEY (cup_id, step) REFERENCES cup_step (cup_id, number),
  FOREIGN KEY (spindle_id) REFERENCES spindle (id),
  FOREIGN KEY (cancels_id) REFERENCES log_entry (id)
) ENGINE = InnoDB;

-- A form carries a token of its own; sent twice, it is answered twice but counted once.
CREATE TABLE submission (
  token       CHAR(36)     NOT NULL PRIMARY KEY,
  leads_to    VARCHAR(200) NOT NULL,
  received_at DATETIME(3)  NOT NULL
) ENGINE = InnoDB;

CREATE TABLE cup_counter (last INT NOT NULL) ENGINE = InnoDB;
INSERT INTO cup_counter (last) VALUES (0);
