-- How a step is done is said in fields; until now it was read from its words, each time. Read once more, here, with what
-- asks for more care where they are unclear; nothing reads a title or a detail after this.
ALTER TABLE cup_step ADD COLUMN how VARCHAR(200) NOT NULL DEFAULT '';

UPDATE cup_step s
  JOIN (
    SELECT cup_id, number, LOWER(CONCAT(title, ' ', detail)) AS words FROM cup_step) w ON w.cup_id = s.cup_id AND w.number = s.number
  JOIN (
    SELECT cup_id, number,
      CAST(NULLIF(REGEXP_SUBSTR(g, '[0-9]{2,4}'), '') AS UNSIGNED) AS one,
      CAST(NULLIF(REGEXP_SUBSTR(REGEXP_REPLACE(g, '^[^0-9]*[0-9]+', ''), '[0-9]{2,4}'), '') AS UNSIGNED) AS other
    FROM (
      -- Of a rim and a body it is the body's grit that counts.
      SELECT cup_id, number,
        CASE
          WHEN SUBSTRING_INDEX(grit, ',', 1) LIKE '%body%' THEN SUBSTRING_INDEX(grit, ',', 1)
          WHEN grit LIKE '%body%' THEN SUBSTRING(grit, LOCATE(',', grit) + 1)
          ELSE grit END AS g
      FROM cup_step) numbers) n ON n.cup_id = s.cup_id AND n.number = s.number
SET s.how = TRIM(CONCAT(
  IF(s.kind = 'SEAL',
    IF(w.words REGEXP '\\bbrush' AND NOT w.words REGEXP '\\b(aerosol|spray|rattle can|from a can)',
      'sealer=brushed ', 'sealer=aerosol '), ''),
  IF(s.kind IN ('PREP', 'CLEAN', 'PULL_TAPE', 'WIPE'),
    CASE
      WHEN w.words REGEXP '\\bacetone' THEN 'cleaner=acetone '
      WHEN w.words REGEXP '\\b(alcohol|ipa\\b|isopropyl|isopropanol|spirit|thinner)' THEN 'cleaner=alcohol '
      WHEN w.words REGEXP '\\bpaste' THEN 'cleaner=paste '
      WHEN w.words REGEXP '\\b(soap|detergent)' THEN 'cleaner=soap '
      ELSE 'cleaner=acetone ' END, ''),
  IF(s.kind = 'HEAT',
    CASE
      WHEN w.words REGEXP 'torch|flame' THEN 'heat=torch '
      WHEN w.words REGEXP '\\b(on low|low heat)' THEN 'heat=gun-low '
      WHEN w.words REGEXP '\\b(warm air|dryer)' THEN 'heat=warm-air '
      ELSE 'heat=torch ' END, ''),
  IF(s.kind = 'GLITTER',
    CASE s.material
      WHEN 'CHUNKY_GLITTER' THEN 'grain=coarse colours=one strewn=on-top '
      WHEN 'MIXED_GLITTER' THEN 'grain=coarse colours=several strewn=on-top '
      ELSE 'grain=fine colours=one strewn=on-top ' END, ''),
  IF(s.kind IN ('VINYL', 'STENCIL'),
    CASE s.material
      WHEN 'METALLIC_VINYL' THEN 'vinyl=metallic '
      WHEN 'REMOVABLE_VINYL' THEN 'vinyl=removable '
      WHEN 'PERMANENT_VINYL' THEN 'vinyl=permanent '
      ELSE IF(s.kind = 'STENCIL', 'vinyl=removable ', 'vinyl=permanent ') END, ''),
  IF(s.kind IN ('PREP', 'SAND_RIM', 'SAND', 'TRIM_AND_SAND'),
    CASE
      WHEN n.one BETWEEN 20 AND 5000 AND n.other BETWEEN 20 AND 5000 AND n.one <> n.other
        THEN CONCAT('grit=', LEAST(n.one, n.other), '–', GREATEST(n.one, n.other), ' ')
      WHEN n.one BETWEEN 20 AND 5000 THEN CONCAT('grit=', n.one, ' ')
      ELSE 'grit= ' END, ''),
  IF(s.kind IN ('SAND_RIM', 'SAND', 'TRIM_AND_SAND'),
    IF(w.words REGEXP '\\b(wash|rinse)', 'dust=washed-off ', 'dust=left '), '')));

-- What a grit said beside its numbers stays readable where words belong.
UPDATE cup_step SET detail = TRIM(CONCAT(detail, ' Grit: ', grit, '.'))
  WHERE grit NOT REGEXP '^ *([0-9]{2,4}( *(-|–|to) *[0-9]{2,4})?)? *$' AND CHAR_LENGTH(detail) < 900;

ALTER TABLE cup_step DROP COLUMN material, DROP COLUMN grit;
