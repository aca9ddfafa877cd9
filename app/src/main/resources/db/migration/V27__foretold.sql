-- What a cup was expected to cost when work on it began, thing by thing.
CREATE TABLE cup_foretold (
  cup_id   BIGINT         NOT NULL,
  position INT            NOT NULL,
  part     VARCHAR(12)    NOT NULL,
  what     VARCHAR(100)   NOT NULL,
  amount   DECIMAL(14, 4) NULL,
  quantity DOUBLE         NOT NULL,
  unit     VARCHAR(12)    NOT NULL,
  PRIMARY KEY (cup_id, position),
  FOREIGN KEY (cup_id) REFERENCES cup (id)
) ENGINE = InnoDB;
