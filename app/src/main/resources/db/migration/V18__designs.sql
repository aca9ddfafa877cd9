-- Art as it was read in; never changed, since designs and cups rest on it.
CREATE TABLE art (
  id       BIGINT       NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name     VARCHAR(80)  NOT NULL,
  kind     VARCHAR(8)   NOT NULL CHECK (kind IN ('svg', 'png')),
  sha256   CHAR(64)     NOT NULL UNIQUE,
  body     LONGBLOB     NOT NULL,
  added_at DATETIME(3)  NOT NULL,
  added_by VARCHAR(40)  NOT NULL
) ENGINE = InnoDB;

-- A design and each state it was saved in; a cup keeps the one it was given.
CREATE TABLE design (
  id      BIGINT      NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name    VARCHAR(80) NOT NULL UNIQUE,
  version INT         NOT NULL
) ENGINE = InnoDB;

CREATE TABLE design_version (
  design_id BIGINT      NOT NULL,
  number    INT         NOT NULL,
  body      LONGTEXT    NOT NULL,
  saved_at  DATETIME(3) NOT NULL,
  saved_by  VARCHAR(40) NOT NULL,
  PRIMARY KEY (design_id, number),
  CONSTRAINT design_version_of FOREIGN KEY (design_id) REFERENCES design (id)
) ENGINE = InnoDB;

CREATE TABLE cup_design (
  cup_id    BIGINT NOT NULL PRIMARY KEY,
  design_id BIGINT NOT NULL,
  number    INT    NOT NULL,
  CONSTRAINT cup_design_cup FOREIGN KEY (cup_id) REFERENCES cup (id),
  CONSTRAINT cup_design_version FOREIGN KEY (design_id, number) REFERENCES design_version (design_id, number)
) ENGINE = InnoDB;
