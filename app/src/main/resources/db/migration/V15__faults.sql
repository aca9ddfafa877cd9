-- What is seen on a coat, one word a fault (fault:zone:extent), and what was found to be behind it.
ALTER TABLE log_entry ADD COLUMN seen VARCHAR(1000) NULL, ADD COLUMN cause VARCHAR(60) NULL, ADD INDEX log_entry_cause (cause);
