-- Techniques of the maker's own, and plans that say more about each step. Nursery's own techniques ship as files.

CREATE TABLE technique (
  id       BIGINT       NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name     VARCHAR(80)  NOT NULL UNIQUE,
  body     MEDIUMTEXT   NOT NULL,
  saved_at DATETIME(3)  NOT NULL,
  saved_by VARCHAR(40)  NOT NULL,
  version  INT          NOT NULL DEFAULT 0
) ENGINE = InnoDB;

-- By name only: a cup keeps the plan it was started with, whatever becomes of the technique.
ALTER TABLE cup ADD COLUMN technique VARCHAR(80) NOT NULL DEFAULT 'One-colour glitter';

-- A step keeps its number, which the log names; its place may change when others are put in before it.
ALTER TABLE cup_step ADD COLUMN position INT NOT NULL DEFAULT 0, ADD COLUMN title VARCHAR(120) NOT NULL DEFAULT '',
  ADD COLUMN material VARCHAR(24) NOT NULL DEFAULT 'ORDINARY', ADD COLUMN width_mm DOUBLE NULL, ADD COLUMN height_mm DOUBLE NULL,
  ADD COLUMN grit VARCHAR(80) NOT NULL DEFAULT '', ADD COLUMN wait_fast DOUBLE NULL;
UPDATE cup_step SET position = number, wait_fast = wait_amount;
