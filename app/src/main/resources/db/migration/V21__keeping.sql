-- Where backups go and how many are kept; an empty folder is the one beside the shop.
CREATE TABLE keep_ways (
  id     TINYINT      NOT NULL PRIMARY KEY CHECK (id = 1),
  folder VARCHAR(400) NOT NULL,
  days   INT          NOT NULL,
  weeks  INT          NOT NULL,
  months INT          NOT NULL
) ENGINE = InnoDB;
INSERT INTO keep_ways (id, folder, days, weeks, months) VALUES (1, '', 7, 5, 12);

-- Each backup that was tried.
CREATE TABLE keep_run (
  id    BIGINT       NOT NULL AUTO_INCREMENT PRIMARY KEY,
  at    DATETIME(3)  NOT NULL,
  good  BOOLEAN      NOT NULL,
  file  VARCHAR(500) NOT NULL,
  bytes BIGINT       NOT NULL,
  said  VARCHAR(400) NOT NULL,
  INDEX keep_run_at (at)
) ENGINE = InnoDB;

-- Which instance does a job that is done once, as the lock library has it (ShedLock 6.9).
CREATE TABLE shedlock (
  name       VARCHAR(64)  NOT NULL PRIMARY KEY,
  lock_until TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  locked_at  TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  locked_by  VARCHAR(255) NOT NULL
) ENGINE = InnoDB;
