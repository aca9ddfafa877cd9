-- The design that cups started by a technique are given, at its version of that day; a technique that ships has a
-- word for its key, one of the maker's own its number.
CREATE TABLE technique_design (
  technique VARCHAR(80) NOT NULL PRIMARY KEY,
  design_id BIGINT      NOT NULL,
  CONSTRAINT technique_design_of FOREIGN KEY (design_id) REFERENCES design (id)
) ENGINE = InnoDB;
