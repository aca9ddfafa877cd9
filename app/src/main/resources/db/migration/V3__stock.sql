-- Bottles and what is drawn from them; losses and pace as the shop knows them; splits and turns of a batch.

ALTER TABLE shop ADD COLUMN loss_fill_ml DOUBLE NOT NULL DEFAULT 1.5, ADD COLUMN loss_cup_ml DOUBLE NOT NULL DEFAULT 0.3,
  ADD COLUMN minutes_per_cup DOUBLE NULL;

CREATE TABLE bottle (
  id        BIGINT      NOT NULL AUTO_INCREMENT PRIMARY KEY,
  resin_id  BIGINT      NOT NULL,
  part      CHAR(1)     NOT NULL CHECK (part IN ('A', 'B')),
  lot       VARCHAR(60) NOT NULL,
  holds_ml  DOUBLE      NOT NULL CHECK (holds_ml > 0),
  added_at  DATETIME(3) NOT NULL,
  added_by  VARCHAR(40) NOT NULL,
  FOREIGN KEY (resin_id) REFERENCES resin (id)
) ENGINE = InnoDB;

-- Only ever added to: a look into the bottle that corrects the book is a draw of its own, and may be negative.
CREATE TABLE bottle_draw (
  id        BIGINT       NOT NULL AUTO_INCREMENT PRIMARY KEY,
  bottle_id BIGINT       NOT NULL,
  batch_id  BIGINT       NULL,
  ml        DOUBLE       NOT NULL,
  drawn_at  DATETIME(3)  NOT NULL,
  drawn_by  VARCHAR(40)  NOT NULL,
  INDEX (batch_id),
  FOREIGN KEY (bottle_id) REFERENCES bottle (id),
  FOREIGN KEY (batch_id) REFERENCES batch (id)
) ENGINE = InnoDB;

ALTER TABLE batch_share ADD COLUMN at_minute DOUBLE NOT NULL DEFAULT 0, ADD COLUMN addition_ml DOUBLE NULL, ADD COLUMN addition VARCHAR(60) NULL;
ALTER TABLE batch ADD COLUMN wasted BOOLEAN NOT NULL DEFAULT FALSE;
