-- How long hands are on a cup: a step begun by a touch, or with its mix, and done with its entry.
CREATE TABLE step_begun (
  cup_id   BIGINT      NOT NULL,
  step     INT         NOT NULL,
  begun_at DATETIME(3) NOT NULL,
  begun_by VARCHAR(40) NOT NULL,
  -- How many were begun with one touch: they share the time.
  cups     INT         NOT NULL CHECK (cups > 0),
  PRIMARY KEY (cup_id, step),
  FOREIGN KEY (cup_id) REFERENCES cup (id)
) ENGINE = InnoDB;

CREATE TABLE step_timed (
  cup_id   BIGINT      NOT NULL,
  step     INT         NOT NULL,
  minutes  DOUBLE      NOT NULL CHECK (minutes > 0),
  timed_at DATETIME(3) NOT NULL,
  PRIMARY KEY (cup_id, step),
  INDEX (timed_at),
  FOREIGN KEY (cup_id) REFERENCES cup (id)
) ENGINE = InnoDB;

INSERT INTO stamp (what, version) VALUES ('hands', 1);
