-- A material weighed before and after a step of a cup; once both are there, what was used is known.
CREATE TABLE material_weighing (
  cup_id        BIGINT      NOT NULL,
  step          INT         NOT NULL,
  material_id   BIGINT      NOT NULL,
  before_amount DOUBLE      NOT NULL CHECK (before_amount > 0),
  after_amount  DOUBLE      NULL CHECK (after_amount >= 0),
  weighed_at    DATETIME(3) NOT NULL,
  weighed_by    VARCHAR(40) NOT NULL,
  PRIMARY KEY (cup_id, step, material_id),
  FOREIGN KEY (cup_id) REFERENCES cup (id),
  FOREIGN KEY (material_id) REFERENCES material (id)
) ENGINE = InnoDB;

-- Which step of which cup it was, if it was weighed there: weighed again, it counts once.
ALTER TABLE material_weighed ADD COLUMN cup_id BIGINT NULL, ADD COLUMN step INT NULL, ADD FOREIGN KEY (cup_id) REFERENCES cup (id);

-- The other colours of a cup in several glitters, with blanks between them.
ALTER TABLE cup ADD COLUMN glitter_more VARCHAR(120) NOT NULL DEFAULT '';
