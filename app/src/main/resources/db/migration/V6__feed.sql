-- Calendar feeds, each at a secret address of its own; only the secret's hash is kept.

CREATE TABLE calendar_feed (
  id          BIGINT      NOT NULL AUTO_INCREMENT PRIMARY KEY,
  secret_hash CHAR(64)    NOT NULL UNIQUE,
  made_at     DATETIME(3) NOT NULL,
  made_by     VARCHAR(40) NOT NULL,
  read_at     DATETIME(3) NULL,
  revoked_at  DATETIME(3) NULL
) ENGINE = InnoDB;
