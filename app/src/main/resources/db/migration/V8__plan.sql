-- The plan for the weeks ahead: hours at the bench, steps pinned, plans proposed and the one that is kept.

-- How much an hour late counts beside other cups.
ALTER TABLE cup ADD COLUMN matters TINYINT NOT NULL DEFAULT 1;

-- By weekday, 1 for Monday; as the maker writes them.
CREATE TABLE bench_hours (
  weekday TINYINT      NOT NULL PRIMARY KEY,
  bench   VARCHAR(100) NOT NULL,
  booth   VARCHAR(100) NOT NULL
) ENGINE = InnoDB;

-- Days on which the bench hours are others, or none.
CREATE TABLE bench_day (
  day   DATE         NOT NULL PRIMARY KEY,
  bench VARCHAR(100) NOT NULL
) ENGINE = InnoDB;

CREATE TABLE plan_pin (
  cup_id BIGINT      NOT NULL,
  step   INT         NOT NULL,
  at     DATETIME(3) NOT NULL,
  PRIMARY KEY (cup_id, step),
  FOREIGN KEY (cup_id) REFERENCES cup (id)
) ENGINE = InnoDB;

-- Only where each step begins is kept; the rest is worked out from the log and the room as they are when it is looked at.
CREATE TABLE week_plan (
  id      BIGINT       NOT NULL AUTO_INCREMENT PRIMARY KEY,
  base_id BIGINT       NULL,
  state   VARCHAR(10)  NOT NULL,
  why     VARCHAR(300) NOT NULL,
  made_at DATETIME(3)  NOT NULL,
  made_by VARCHAR(40)  NOT NULL
) ENGINE = InnoDB;

CREATE TABLE week_plan_step (
  plan_id   BIGINT      NOT NULL,
  cup_code  VARCHAR(12) NOT NULL,
  step      INT         NOT NULL,
  begins_at DATETIME(3) NOT NULL,
  PRIMARY KEY (plan_id, cup_code, step),
  FOREIGN KEY (plan_id) REFERENCES week_plan (id)
) ENGINE = InnoDB;

-- What a proposed plan would change beside the plan itself, once it is kept.
CREATE TABLE week_plan_change (
  plan_id  BIGINT       NOT NULL,
  position INT          NOT NULL,
  kind     VARCHAR(12)  NOT NULL,
  cup_code VARCHAR(12)  NOT NULL,
  number   INT          NOT NULL,
  at       DATETIME(3)  NULL,
  day      DATE         NULL,
  hours    VARCHAR(100) NOT NULL,
  -- an order, as its form was filled in
  ordered  TEXT         NOT NULL,
  PRIMARY KEY (plan_id, position),
  FOREIGN KEY (plan_id) REFERENCES week_plan (id)
) ENGINE = InnoDB;

-- The plan that is kept; held while one is put in its place.
CREATE TABLE week_plan_kept (
  id      TINYINT NOT NULL PRIMARY KEY,
  plan_id BIGINT  NULL
) ENGINE = InnoDB;
INSERT INTO week_plan_kept (id, plan_id) VALUES (1, NULL);
