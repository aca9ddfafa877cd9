-- Pictures of cups; what is in them lies beside the database, under its SHA-256.
CREATE TABLE photo (
  id        BIGINT       NOT NULL AUTO_INCREMENT PRIMARY KEY,
  cup_id    BIGINT       NOT NULL,
  step      INT          NULL,
  kind      VARCHAR(8)   NOT NULL CHECK (kind IN ('STEP', 'BEFORE', 'AFTER', 'FAULT')),
  file      VARCHAR(80)  NOT NULL,
  small     VARCHAR(80)  NOT NULL,
  width     INT          NOT NULL,
  height    INT          NOT NULL,
  words     VARCHAR(200) NOT NULL,
  added_at  DATETIME(3)  NOT NULL,
  added_by  VARCHAR(40)  NOT NULL,
  hidden_at DATETIME(3)  NULL,
  FOREIGN KEY (cup_id) REFERENCES cup (id)
) ENGINE = InnoDB;
