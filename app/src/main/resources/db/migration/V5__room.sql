-- The room in more than one place, with its humidity; sensors that write with a token of their own; what is expected of it.

ALTER TABLE room_reading ADD COLUMN place VARCHAR(40) NOT NULL DEFAULT 'bench', ADD COLUMN humidity DOUBLE NULL, ADD INDEX (place, taken_at);

-- Only the token's hash is kept: who reads the table cannot write readings with it.
CREATE TABLE room_sensor (
  id         BIGINT      NOT NULL AUTO_INCREMENT PRIMARY KEY,
  place      VARCHAR(40) NOT NULL,
  token_hash CHAR(64)    NOT NULL UNIQUE,
  made_at    DATETIME(3) NOT NULL,
  made_by    VARCHAR(40) NOT NULL,
  heard_at   DATETIME(3) NULL,
  revoked_at DATETIME(3) NULL
) ENGINE = InnoDB;

CREATE TABLE room_plan (
  id         TINYINT      NOT NULL PRIMARY KEY CHECK (id = 1),
  cure_place VARCHAR(40)  NOT NULL,
  forecast   VARCHAR(16)  NOT NULL,
  steady_c   DOUBLE       NULL,
  heating    VARCHAR(400) NOT NULL
) ENGINE = InnoDB;
