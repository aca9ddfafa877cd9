-- @count finished cups on the first blank, in its first resin, handed over one after another in the last three years;
-- each one colour of glitter, with 25 log entries and 3 batches; some with something seen, a picture, a design. Run by scripts/fill-shop.
SET SESSION sql_mode = 'STRICT_TRANS_TABLES';
SET @last = (SELECT last FROM cup_counter);
SET @now = UTC_TIMESTAMP(3);
SET @apart = 3 * 365 * 86400 / @count;
SET @blank = (SELECT MIN(id) FROM blank), @resin = (SELECT MIN(id) FROM resin), @measuring = (SELECT MIN(id) FROM measuring_cup);
SET @blank_edition = (SELECT MAX(number) FROM blank_edition WHERE blank_id = @blank);
SET @resin_edition = (SELECT MAX(number) FROM resin_edition WHERE resin_id = @resin);
SET @batches = (SELECT COALESCE(MAX(id), 0) FROM batch), @entries = (SELECT COALESCE(MAX(id), 0) FROM log_entry), @cups = (SELECT MAX(id) FROM cup);

CREATE TEMPORARY TABLE fill_step (number INT PRIMARY KEY, kind VARCHAR(24), title VARCHAR(120), wait_kind VARCHAR(16), amount DOUBLE, fast DOUBLE NULL, role VARCHAR(24) NULL);
INSERT INTO fill_step VALUES
  (1, 'PREP', 'Scuff, clean and mask', 'none', 0, 0, NULL), (2, 'PAINT', 'Paint the base colour', 'none', 0, 0, NULL),
  (3, 'ADHESIVE', 'Spread the epoxy adhesive', 'dry', 60, NULL, 'ADHESIVE_THIN'), (4, 'GLITTER', 'Glitter', 'settle', 2, NULL, NULL),
  (5, 'FLOOD_COAT', 'Flood coat', 'age', 3, 2, 'FLOOD'), (6, 'BUILD_COAT', 'Second coat', 'straight-on', 0, 0, 'BUILD'),
  (7, 'TRIM_AND_SAND', 'Trim the rim and sand', 'sandable', 0, 0, NULL), (8, 'FINISHING_COAT', 'Finishing coat', 'none', 0, 0, 'FINISHING'),
  (9, 'FINISH', 'Clean, inspect and pack', 'age', 12, 12, NULL);

-- What happens to each of them, minutes after it was started.
CREATE TEMPORARY TABLE fill_entry (n INT PRIMARY KEY, minute INT, kind VARCHAR(16), step INT NULL, ml DOUBLE NULL, batch INT NULL, touch VARCHAR(24) NULL, note VARCHAR(200));
INSERT INTO fill_entry VALUES
  (1, 5, 'NOTED', NULL, NULL, NULL, NULL, 'Comes with its lid.'), (2, 30, 'DONE', 1, NULL, NULL, NULL, ''), (3, 60, 'DONE', 2, NULL, NULL, NULL, ''),
  (4, 130, 'POURED', 3, 1, NULL, NULL, ''), (5, 135, 'DONE', 4, NULL, NULL, NULL, ''), (6, 150, 'NOTED', NULL, NULL, NULL, NULL, 'One bare spot by the rim, filled.'),
  (7, 400, 'POURED', 5, 22, 0, NULL, ''), (8, 460, 'TOUCHED', NULL, NULL, NULL, 'WET', ''), (9, 560, 'TOUCHED', NULL, NULL, NULL, 'STRINGS', ''),
  (10, 660, 'TOUCHED', NULL, NULL, NULL, 'TACKY', ''), (11, 690, 'POURED', 6, 18, 1, NULL, ''), (12, 760, 'TOUCHED', NULL, NULL, NULL, 'WET', ''),
  (13, 930, 'TAKEN_OFF', NULL, NULL, NULL, NULL, ''), (14, 1080, 'TOUCHED', NULL, NULL, NULL, 'GUMS_PAPER', ''), (15, 1300, 'TOUCHED', NULL, NULL, NULL, 'SANDS_TO_DUST', ''),
  (16, 1310, 'DONE', 7, NULL, NULL, NULL, ''), (17, 1320, 'NOTED', NULL, NULL, NULL, NULL, 'Rim sanded to a bright line.'), (18, 1400, 'POURED', 8, 15, 2, NULL, ''),
  (19, 1500, 'TOUCHED', NULL, NULL, NULL, 'WET', ''), (20, 1640, 'TOUCHED', NULL, NULL, NULL, 'TACKY', ''), (21, 2300, 'DONE', 9, NULL, NULL, NULL, ''),
  (22, 2310, 'NOTED', NULL, NULL, NULL, NULL, 'Photographed.'), (23, 4000, 'NOTED', NULL, NULL, NULL, NULL, 'Label written.'),
  (24, 6800, 'NOTED', NULL, NULL, NULL, NULL, 'Fetched by the customer.'), (25, 6810, 'HANDED_OVER', NULL, NULL, NULL, NULL, '');

DROP PROCEDURE IF EXISTS fill_shop;
DELIMITER //
CREATE PROCEDURE fill_shop(count INT)
BEGIN
  DECLARE done INT DEFAULT 0;
  DECLARE upto INT;
  WHILE done < count DO
    SET upto = LEAST(done + 2000, count);
    START TRANSACTION;
    -- Codes as they are given: letters counted like the columns of a sheet, 99 cups to each.
    INSERT INTO cup (id, code, name, made_for, blank_id, blank_edition, base_resin_id, last_resin_id, due_on, paint_colour, glitter_colour, schools, technique, started_at,
      matters, leaves_at, left_how, next_step, poured_ml, coats, last_at)
    SELECT @cups + i, CONCAT(CASE WHEN series < 21 THEN '' WHEN series < 462 THEN MID(@letters, (series - 21) DIV 21 + 1, 1)
        ELSE CONCAT(MID(@letters, (series - 462) DIV 441 + 1, 1), MID(@letters, (series - 462) DIV 21 MOD 21 + 1, 1)) END,
        MID(@letters, CASE WHEN series < 21 THEN series WHEN series < 462 THEN (series - 21) MOD 21 ELSE (series - 462) MOD 21 END + 1, 1), '-', LPAD((number - 1) MOD 99 + 1, 2, '0')),
      ELT(i MOD 5 + 1, 'Winter sky', 'Depot cream', 'Foxglove', 'Line 7 green', 'Bean row'), ELT(i MOD 3 + 1, 'Astronomy club', 'Heritage tram society', 'Seed-library fair'),
      @blank, @blank_edition, @resin, @resin, DATE(started + INTERVAL 8 DAY), '#16213f', '#3b5fb5',
      'ADHESIVE_THIN,STRAIGHT_ON,HANG,SEAL_NEVER,SAND_LINE,MIX_AT_ONCE,SOAP,COAT_FIRST,GRADUATED_CUP', 'One-colour glitter', started, 1,
      started + INTERVAL 6810 MINUTE, 'HANDED_OVER', 10, 56, 4, started + INTERVAL 6810 MINUTE
    FROM (SELECT seq AS i, @last + seq AS number, (@last + seq - 1) DIV 99 AS series,
        @now - INTERVAL 30 DAY - INTERVAL FLOOR((count - seq) * @apart) SECOND AS started FROM seq_1_to_200000 WHERE seq > done AND seq <= upto) made;
    INSERT INTO cup_step (cup_id, number, position, kind, title, wait_kind, wait_amount, wait_fast, detail, role, how)
    SELECT c.id, s.number, s.number, s.kind, s.title, s.wait_kind, s.amount, s.fast, 'As the technique says.', s.role, ''
    FROM cup c JOIN fill_step s WHERE c.id > @cups + done AND c.id <= @cups + upto;
    INSERT INTO batch (id, resin_id, measuring_cup_id, ratio, planned_a_ml, planned_b_ml, pot_minutes, started_at, started_by, actual_a_ml, actual_b_ml, mixed_at, closed_at,
      leftover_ml, wasted)
    SELECT @batches + (c.id - @cups - 1) * 3 + e.batch + 1, @resin, @measuring, '1:1', 12.5, 12.5, 40, c.started_at + INTERVAL e.minute - 6 MINUTE, 'Mira', 12.5, 12.5,
      c.started_at + INTERVAL e.minute - 5 MINUTE, c.started_at + INTERVAL e.minute + 5 MINUTE, 1, FALSE
    FROM cup c JOIN fill_entry e ON e.batch IS NOT NULL WHERE c.id > @cups + done AND c.id <= @cups + upto;
    INSERT INTO batch_share (batch_id, position, cup_id, step, share_ml)
    SELECT @batches + (c.id - @cups - 1) * 3 + e.batch + 1, 1, c.id, e.step, e.ml
    FROM cup c JOIN fill_entry e ON e.batch IS NOT NULL WHERE c.id > @cups + done AND c.id <= @cups + upto;
    INSERT INTO log_entry (id, cup_id, kind, step, amount_ml, happened_at, recorded_at, recorded_by, note, batch_id, touch, resin_id, resin_edition)
    SELECT @entries + (c.id - @cups - 1) * 25 + e.n, c.id, e.kind, e.step, e.ml, c.started_at + INTERVAL e.minute MINUTE, c.started_at + INTERVAL e.minute MINUTE,
      IF(e.n MOD 2, 'Mira', 'Jonas'), e.note, @batches + (c.id - @cups - 1) * 3 + e.batch + 1, e.touch, IF(e.kind = 'POURED', @resin, NULL), IF(e.kind = 'POURED', @resin_edition, NULL)
    FROM cup c JOIN fill_entry e WHERE c.id > @cups + done AND c.id <= @cups + upto;
    INSERT INTO cup_said (cup_id, said) SELECT e.cup_id, GROUP_CONCAT(e.note ORDER BY e.id SEPARATOR '\n') FROM log_entry e
    WHERE e.cup_id > @cups + done AND e.cup_id <= @cups + upto AND e.note <> '' GROUP BY e.cup_id;
    -- What they were made with: one of the glitters there are; and on every twentieth something was seen.
    INSERT INTO cup_material (cup_id, step, material_id, position)
    SELECT c.id, 4, (SELECT MIN(m.id) FROM material m WHERE m.kind = 'GLITTER') + c.id MOD 3, 0
    FROM cup c WHERE c.id > @cups + done AND c.id <= @cups + upto AND (SELECT COUNT(*) FROM material m WHERE m.kind = 'GLITTER' AND m.id <
      (SELECT MIN(m.id) FROM material m WHERE m.kind = 'GLITTER') + 3) = 3;
    -- Behind the numbers that the others have yet to be given.
    INSERT INTO log_entry (id, cup_id, kind, seen, happened_at, recorded_at, recorded_by, note)
    SELECT @entries + count * 25 + c.id - @cups, c.id, 'FAULTS_SEEN', ELT(c.id DIV 20 MOD 3 + 1, 'haze:lower:some', 'fish-eyes:all:much', 'dust:rim:some'), c.started_at + INTERVAL 1090 MINUTE,
      c.started_at + INTERVAL 1090 MINUTE, 'Mira', '' FROM cup c WHERE c.id > @cups + done AND c.id <= @cups + upto AND c.id MOD 20 = 0;
    -- Every fifth was photographed and has the first design there is.
    INSERT INTO photo (cup_id, step, kind, file, small, width, height, words, added_at, added_by)
    SELECT c.id, 9, 'AFTER', f.file, f.small, f.width, f.height, 'Done', c.started_at + INTERVAL 2310 MINUTE, 'Mira'
    FROM cup c JOIN (SELECT file, small, width, height FROM photo ORDER BY id LIMIT 1) f WHERE c.id > @cups + done AND c.id <= @cups + upto AND c.id MOD 5 = 0;
    INSERT INTO cup_design (cup_id, design_id, number)
    SELECT c.id, d.design_id, d.number FROM cup c JOIN (SELECT design_id, number FROM design_version ORDER BY design_id, number LIMIT 1) d
    WHERE c.id > @cups + done AND c.id <= @cups + upto AND c.id MOD 5 = 1;
    UPDATE cup_counter SET last = @last + upto;
    COMMIT;
    SET done = upto;
  END WHILE;
END//
DELIMITER ;
SET @letters = 'ABCDEFGHJKLMNPRTUVWXY';
CALL fill_shop(@count);
DROP PROCEDURE fill_shop;

-- A year of five-minute readings before those that are there: warmer by day, a little restless.
SET @first = (SELECT COALESCE(MIN(taken_at), @now) FROM room_reading WHERE place = 'bench');
INSERT IGNORE INTO room_reading (taken_at, temperature_c, recorded_by, place, humidity)
SELECT at, ROUND(20 + 2 * SIN((UNIX_TIMESTAMP(at) MOD 86400) / 86400 * 2 * PI() - 2) + 0.1 * SIN(seq), 2), 'sensor', 'bench', ROUND(48 + 6 * SIN(seq / 200), 0)
FROM (SELECT seq, @first - INTERVAL 5 * seq MINUTE - INTERVAL MICROSECOND(@first) MICROSECOND AS at FROM seq_1_to_105120) year_back;
UPDATE stamp SET version = version + 1;
