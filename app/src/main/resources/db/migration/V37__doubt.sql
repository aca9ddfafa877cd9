-- How surely a promise is to hold, and how late the maker may come to the bench: four sessions in five no later.
CREATE TABLE doubt (
  id           TINYINT NOT NULL PRIMARY KEY CHECK (id = 1),
  sure_percent INT     NOT NULL,
  late_min     INT     NOT NULL
);
