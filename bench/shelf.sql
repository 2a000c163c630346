-- On top of history.sql: what three years put away and handed out, what it was made of, and which stock went into which pot. 20 000 lots, 40 000 deliveries.
CREATE TEMPORARY TABLE made AS
  SELECT b.id, b.kitchen_id, b.number, b.accepted_at, ROW_NUMBER() OVER (ORDER BY b.number) AS place FROM batch b WHERE b.number > 1000;
ALTER TABLE made ADD INDEX (id), ADD INDEX (place);
-- A temporary table cannot be joined to itself.
CREATE TEMPORARY TABLE made2 AS SELECT id, place FROM made;
ALTER TABLE made2 ADD INDEX (place);
-- An entry of its own stands behind each of them: those of the copies, in the order of their batches.
CREATE TEMPORARY TABLE entry AS
  SELECT e.id, e.batch_id, ROW_NUMBER() OVER (PARTITION BY e.batch_id ORDER BY e.seq) AS nth FROM batch_event e JOIN made m ON m.id = e.batch_id;
ALTER TABLE entry ADD INDEX (batch_id, nth);
INSERT INTO lot (id, kitchen_id, batch_id, code, litres, left_litres, made_at, use_by, place, verdict, contents)
  SELECT e.id, m.kitchen_id, m.id, CONCAT('L', m.place, '-', e.nth), 6, 0, m.accepted_at, DATE(m.accepted_at) + INTERVAL 3 DAY, 'Shelf 2', 'PASSED', NULL
  FROM made m JOIN entry e ON e.batch_id = m.id AND e.nth <= 3 LIMIT 20000;
INSERT INTO delivery (id, kitchen_id, batch_id, lot_id, station_id, litres, delivered_at)
  SELECT e.id, l.kitchen_id, l.batch_id, l.id, (SELECT MIN(id) FROM station WHERE kitchen_id = l.kitchen_id), 2, l.made_at + INTERVAL e.nth HOUR
  FROM lot l JOIN entry e ON e.batch_id = l.batch_id AND e.nth BETWEEN 4 AND 15 WHERE l.code LIKE 'L%' AND MOD(e.nth, 3) = MOD(CAST(RIGHT(l.code, 1) AS INT), 3) LIMIT 40000;
INSERT INTO larder_box (id, kitchen_id, goods, kg, came_on, use_by, frozen, supplier, supplier_lot, note, trim, taken_in_by, taken_in_at)
  SELECT UUID(), m.kitchen_id, 'chicken-carcass', 20, DATE(m.accepted_at), NULL, FALSE, 'Hill Farm', CONCAT('B', m.place DIV 2), '', FALSE,
         (SELECT MIN(id) FROM account WHERE kitchen_id = m.kitchen_id), m.accepted_at
  FROM made m WHERE MOD(m.place, 2) = 0;
INSERT INTO larder_taking (event_id, batch_id, box_id, part, kg, taken_at)
  SELECT e.id, m.id, b.id, 'bed', 9, m.accepted_at FROM made m JOIN entry e ON e.batch_id = m.id AND e.nth = 10
  JOIN larder_box b ON b.kitchen_id = m.kitchen_id AND b.supplier_lot = CONCAT('B', m.place DIV 2);
-- Chains of five: each stock goes into the next pot.
INSERT INTO drawing (id, kitchen_id, batch_id, lot_id, into_id, litres, drawn_at)
  SELECT e.id, m.kitchen_id, m.id, NULL, n.id, 4, m.accepted_at
  FROM made m JOIN made2 n ON n.place = m.place + 1 JOIN entry e ON e.batch_id = m.id AND e.nth = 11 WHERE MOD(m.place, 5) < 4;
-- 400 of them lie there today, and one was put away in forty containers.
UPDATE lot SET left_litres = 2, use_by = '2026-03-05' WHERE code LIKE 'L%-1' ORDER BY made_at DESC LIMIT 400;
UPDATE lot SET containers = 40 WHERE code = 'L4000-1';
-- A kitchen that grew over three years is known to its database; one that was made in a minute is not.
ANALYZE TABLE batch, batch_event, lot, delivery, larder_box, larder_taking, drawing;
SELECT (SELECT COUNT(*) FROM lot) AS lots, (SELECT COUNT(*) FROM delivery) AS deliveries, (SELECT COUNT(*) FROM larder_taking) AS takings, (SELECT COUNT(*) FROM drawing) AS drawings,
       (SELECT COUNT(*) FROM lot WHERE left_litres > 0) AS on_the_shelf;
