-- From ordering a resin until it is here.
ALTER TABLE resin ADD COLUMN lead_days INT NOT NULL DEFAULT 7 CHECK (lead_days BETWEEN 0 AND 180);

-- What the steps of a technique are made with, where it was kept from a cup.
CREATE TABLE technique_material (
  -- Its key.
  technique   VARCHAR(80) NOT NULL,
  step        INT         NOT NULL,
  material_id BIGINT      NOT NULL,
  position    INT         NOT NULL,
  PRIMARY KEY (technique, step, material_id),
  FOREIGN KEY (material_id) REFERENCES material (id)
) ENGINE = InnoDB;
