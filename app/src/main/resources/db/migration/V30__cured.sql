-- When a cup that has left the floor was fully cured: worked out once, for the figures of a year.
ALTER TABLE cup ADD COLUMN cured_at DATETIME(3) NULL;
