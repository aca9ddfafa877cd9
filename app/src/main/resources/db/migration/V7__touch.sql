-- What a finger found on a coat, and what a shop took over of what was learned from it. The label itself is never overwritten.

ALTER TABLE log_entry ADD COLUMN touch VARCHAR(24) NULL;

CREATE TABLE resin_found (
  resin_id     BIGINT      NOT NULL PRIMARY KEY,
  speed        DOUBLE      NOT NULL CHECK (speed > 0),
  activation   DOUBLE      NOT NULL CHECK (activation > 0),
  observations INT         NOT NULL,
  accepted_at  DATETIME(3) NOT NULL,
  accepted_by  VARCHAR(40) NOT NULL,
  FOREIGN KEY (resin_id) REFERENCES resin (id)
) ENGINE = InnoDB;
