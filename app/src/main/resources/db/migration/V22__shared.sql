-- Work too long for a page, as far as it is: whichever instance does it, every instance can be asked.
CREATE TABLE desk_run (
  id      BIGINT      NOT NULL AUTO_INCREMENT PRIMARY KEY,
  what    VARCHAR(40) NOT NULL,
  -- Names the work while it runs, where only one of a kind may; empty otherwise.
  alone   VARCHAR(40) NULL UNIQUE,
  state   VARCHAR(8)  NOT NULL DEFAULT 'RUNNING' CHECK (state IN ('RUNNING', 'DONE', 'FAILED')),
  percent INT         NOT NULL DEFAULT 0,
  -- What came of it so far, as JSON.
  told    LONGTEXT    NULL,
  faults  TEXT        NULL,
  enough  BOOLEAN     NOT NULL DEFAULT FALSE,
  begun_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  -- When whoever does it last said so, by the database's time: the instances' clocks may differ.
  beat_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3)
) ENGINE = InnoDB;

-- What each scale showed last; jumps counts how often it changed by more than a hand pours.
CREATE TABLE scale_shown (
  scale    VARCHAR(40) NOT NULL PRIMARY KEY,
  at       DATETIME(3) NOT NULL,
  grams    DOUBLE      NOT NULL,
  stable   BOOLEAN     NOT NULL,
  jumps    INT         NOT NULL,
  readings BIGINT      NOT NULL
) ENGINE = InnoDB;
