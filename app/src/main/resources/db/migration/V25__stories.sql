-- What a maker would do otherwise next time (P68).
CREATE TABLE cup_next_time (
  cup_id     BIGINT        NOT NULL PRIMARY KEY,
  words      VARCHAR(1000) NOT NULL,
  written_at DATETIME(3)   NOT NULL,
  written_by VARCHAR(40)   NOT NULL,
  FOREIGN KEY (cup_id) REFERENCES cup (id)
) ENGINE = InnoDB;

-- What the shop writes on paper of its own.
CREATE TABLE paper_ways (
  id   TINYINT      NOT NULL PRIMARY KEY CHECK (id = 1),
  care VARCHAR(600) NOT NULL
) ENGINE = InnoDB;
INSERT INTO paper_ways (id, care) VALUES (1, '');
