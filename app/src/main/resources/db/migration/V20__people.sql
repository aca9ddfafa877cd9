-- Who may sign in. Nobody signs in as long as no owner has a password.
CREATE TABLE maker (
  id            BIGINT       NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name          VARCHAR(40)  NOT NULL UNIQUE,
  role          VARCHAR(8)   NOT NULL CHECK (role IN ('OWNER', 'MAKER', 'HELPER')),
  password_hash VARCHAR(200) NULL,
  pin_hash      VARCHAR(200) NULL,
  tries         INT          NOT NULL DEFAULT 0,
  tried_at      DATETIME(3)  NULL,
  pin_tries     INT          NOT NULL DEFAULT 0,
  added_at      DATETIME(3)  NOT NULL
) ENGINE = InnoDB;

-- A phone or tablet that joined; one that was removed is remembered, so that it can be told when it comes back.
CREATE TABLE device (
  id         BIGINT      NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name       VARCHAR(40) NOT NULL,
  token_hash CHAR(64)    NOT NULL UNIQUE,
  joined_at  DATETIME(3) NOT NULL,
  seen_at    DATETIME(3) NOT NULL,
  removed_at DATETIME(3) NULL
) ENGINE = InnoDB;

-- What a code on the owner's screen says, by its hash; good for one device and five minutes.
CREATE TABLE join_code (
  code_hash  CHAR(64)    NOT NULL PRIMARY KEY,
  made_at    DATETIME(3) NOT NULL,
  made_by    VARCHAR(40) NOT NULL,
  expires_at DATETIME(3) NOT NULL,
  used_at    DATETIME(3) NULL
) ENGINE = InnoDB;

-- Where anybody sees how an order stands, and nothing else.
CREATE TABLE order_link (
  id         BIGINT      NOT NULL AUTO_INCREMENT PRIMARY KEY,
  token_hash CHAR(64)    NOT NULL UNIQUE,
  made_for   VARCHAR(80) NOT NULL,
  made_at    DATETIME(3) NOT NULL,
  made_by    VARCHAR(40) NOT NULL,
  expires_at DATETIME(3) NOT NULL,
  revoked_at DATETIME(3) NULL
) ENGINE = InnoDB;

-- What programs beside a scale or of the maker's own sign in with.
CREATE TABLE api_token (
  id         BIGINT      NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name       VARCHAR(40) NOT NULL,
  token_hash CHAR(64)    NOT NULL UNIQUE,
  made_at    DATETIME(3) NOT NULL,
  made_by    VARCHAR(40) NOT NULL,
  used_at    DATETIME(3) NULL,
  revoked_at DATETIME(3) NULL
) ENGINE = InnoDB;

-- Who did what that matters to the safety of the shop; never changed.
CREATE TABLE audit (
  id     BIGINT       NOT NULL AUTO_INCREMENT PRIMARY KEY,
  at     DATETIME(3)  NOT NULL,
  who    VARCHAR(80)  NOT NULL,
  device VARCHAR(80)  NOT NULL,
  what   VARCHAR(20)  NOT NULL,
  about  VARCHAR(200) NOT NULL,
  INDEX audit_at (at)
) ENGINE = InnoDB;

-- Minutes without a touch after which a signed-in screen asks again who is there.
ALTER TABLE shop ADD COLUMN lock_minutes INT NOT NULL DEFAULT 20;

-- Sessions, as the session library has them (its schema-mysql.sql, 4.1.1).
CREATE TABLE SPRING_SESSION (
  PRIMARY_ID            CHAR(36) NOT NULL,
  SESSION_ID            CHAR(36) NOT NULL,
  CREATION_TIME         BIGINT   NOT NULL,
  LAST_ACCESS_TIME      BIGINT   NOT NULL,
  MAX_INACTIVE_INTERVAL INT      NOT NULL,
  EXPIRY_TIME           BIGINT   NOT NULL,
  PRINCIPAL_NAME        VARCHAR(100),
  PRIMARY KEY (PRIMARY_ID)
) ENGINE = InnoDB ROW_FORMAT = DYNAMIC;
CREATE UNIQUE INDEX SPRING_SESSION_IX1 ON SPRING_SESSION (SESSION_ID);
CREATE INDEX SPRING_SESSION_IX2 ON SPRING_SESSION (EXPIRY_TIME);
CREATE INDEX SPRING_SESSION_IX3 ON SPRING_SESSION (PRINCIPAL_NAME);
CREATE TABLE SPRING_SESSION_ATTRIBUTES (
  SESSION_PRIMARY_ID CHAR(36)     NOT NULL,
  ATTRIBUTE_NAME     VARCHAR(200) NOT NULL,
  ATTRIBUTE_BYTES    BLOB         NOT NULL,
  PRIMARY KEY (SESSION_PRIMARY_ID, ATTRIBUTE_NAME),
  CONSTRAINT SPRING_SESSION_ATTRIBUTES_FK FOREIGN KEY (SESSION_PRIMARY_ID)
    REFERENCES SPRING_SESSION (PRIMARY_ID) ON DELETE CASCADE
) ENGINE = InnoDB ROW_FORMAT = DYNAMIC;
