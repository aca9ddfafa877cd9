-- A label may state a second viscosity: the two say how strongly warmth thins this mix.
ALTER TABLE resin_edition
  ADD COLUMN viscosity_2 DOUBLE NULL AFTER viscosity,
  ADD COLUMN viscosity_2_c DOUBLE NULL AFTER viscosity_2;
