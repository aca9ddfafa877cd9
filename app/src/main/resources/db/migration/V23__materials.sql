-- Materials beside resins and blanks, their lots, and what went out of each; a lot is what its movements leave of it.
CREATE TABLE material (
  id         BIGINT       NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name       VARCHAR(60)  NOT NULL UNIQUE,
  kind       VARCHAR(16)  NOT NULL,
  colour     CHAR(7)      NOT NULL,
  flake_mm   DOUBLE       NULL,
  film       VARCHAR(12)  NULL,
  width_mm   DOUBLE       NULL,
  lasts_days INT          NULL,
  lead_days  INT          NOT NULL,
  place      VARCHAR(80)  NOT NULL,
  -- What is mixed in it: names, colours and shares, as JSON; empty if it is one thing.
  mix        TEXT         NOT NULL,
  gone_at    DATETIME(3)  NULL
) ENGINE = InnoDB;

CREATE TABLE material_lot (
  id          BIGINT         NOT NULL AUTO_INCREMENT PRIMARY KEY,
  material_id BIGINT         NOT NULL,
  lot         VARCHAR(60)    NOT NULL,
  amount      DOUBLE         NOT NULL CHECK (amount > 0),
  -- What its movements add up to; counted on with each.
  used        DOUBLE         NOT NULL DEFAULT 0 CHECK (used > -1e-6),
  price       DECIMAL(14, 4) NULL CHECK (price >= 0),
  bought_on   DATE           NOT NULL,
  opened_on   DATE           NULL,
  added_at    DATETIME(3)    NOT NULL,
  added_by    VARCHAR(40)    NOT NULL,
  CHECK (used <= amount + 1e-6),
  FOREIGN KEY (material_id) REFERENCES material (id)
) ENGINE = InnoDB;

CREATE TABLE material_move (
  id       BIGINT      NOT NULL AUTO_INCREMENT PRIMARY KEY,
  lot_id   BIGINT      NOT NULL,
  cup_id   BIGINT      NULL,
  step     INT         NULL,
  -- The log entry it was used by, so that a correction gives it back.
  entry_id BIGINT      NULL,
  amount   DOUBLE      NOT NULL,
  moved_at DATETIME(3) NOT NULL,
  moved_by VARCHAR(40) NOT NULL,
  INDEX (entry_id),
  FOREIGN KEY (lot_id) REFERENCES material_lot (id),
  FOREIGN KEY (cup_id) REFERENCES cup (id)
) ENGINE = InnoDB;

CREATE TABLE material_weighed (
  id          BIGINT      NOT NULL AUTO_INCREMENT PRIMARY KEY,
  material_id BIGINT      NOT NULL,
  area_cm2    DOUBLE      NOT NULL CHECK (area_cm2 > 0),
  used        DOUBLE      NOT NULL CHECK (used >= 0),
  weighed_at  DATETIME(3) NOT NULL,
  weighed_by  VARCHAR(40) NOT NULL,
  FOREIGN KEY (material_id) REFERENCES material (id)
) ENGINE = InnoDB;

-- What a step of a cup is made with.
CREATE TABLE cup_material (
  cup_id      BIGINT NOT NULL,
  step        INT    NOT NULL,
  material_id BIGINT NOT NULL,
  position    INT    NOT NULL,
  PRIMARY KEY (cup_id, step, material_id),
  FOREIGN KEY (cup_id) REFERENCES cup (id),
  FOREIGN KEY (material_id) REFERENCES material (id)
) ENGINE = InnoDB;

-- The shop's money: its currency (ISO 4217), what an hour at the bench is worth, how it asks.
CREATE TABLE money_ways (
  id             TINYINT        NOT NULL PRIMARY KEY CHECK (id = 1),
  currency       CHAR(3)        NOT NULL,
  hour_rate      DECIMAL(10, 4) NOT NULL CHECK (hour_rate >= 0),
  margin_percent DECIMAL(6, 3)  NOT NULL,
  fee_percent    DECIMAL(6, 3)  NOT NULL,
  fee_fixed      DECIMAL(10, 4) NOT NULL,
  round_to       DECIMAL(10, 4) NOT NULL
) ENGINE = InnoDB;
INSERT INTO money_ways (id, currency, hour_rate, margin_percent, fee_percent, fee_fixed, round_to) VALUES (1, 'EUR', 0, 45, 0, 0, 0);

ALTER TABLE bottle ADD COLUMN price DECIMAL(14, 4) NULL CHECK (price >= 0);
ALTER TABLE blank ADD COLUMN price DECIMAL(14, 4) NULL CHECK (price >= 0);
