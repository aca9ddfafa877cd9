-- Several things may be stirred into parts of one share: glitter into the clear, white into what is set aside.
CREATE TABLE batch_addition (
  batch_id BIGINT      NOT NULL,
  position INT         NOT NULL,
  place    INT         NOT NULL,
  ml       DOUBLE      NOT NULL,
  what     VARCHAR(60) NOT NULL,
  PRIMARY KEY (batch_id, position, place),
  FOREIGN KEY (batch_id, position) REFERENCES batch_share (batch_id, position) ON DELETE CASCADE
) ENGINE = InnoDB;

INSERT INTO batch_addition (batch_id, position, place, ml, what)
SELECT batch_id, position, 0, addition_ml, addition FROM batch_share
WHERE addition_ml IS NOT NULL AND addition IS NOT NULL;

ALTER TABLE batch_share DROP COLUMN addition_ml, DROP COLUMN addition;
