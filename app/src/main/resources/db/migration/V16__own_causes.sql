-- What goes wrong, as a shop has it: the file it took over or changed. Without a row what ships holds.
CREATE TABLE fault_model (
  id       INT          NOT NULL PRIMARY KEY CHECK (id = 1),
  body     LONGTEXT     NOT NULL,
  saved_at DATETIME(3)  NOT NULL,
  saved_by VARCHAR(40)  NOT NULL
) ENGINE = InnoDB;
