-- Three years of a kitchen that makes eight batches a day: copies of what the demo has, each with its own ids; and what its probes left after thinning.
CREATE TEMPORARY TABLE copy AS
  SELECT UUID() AS id, b.id AS of_id, b.number + 1000 + 10 * s.seq AS number, s.seq AS seq FROM batch b JOIN seq_1_to_1460 s WHERE b.number <= 6;
ALTER TABLE copy ADD INDEX (of_id);
INSERT INTO batch (id, kitchen_id, number, call_id, vessel_id, burner_id, plan, accepted_by, accepted_at, stage)
  SELECT c.id, b.kitchen_id, c.number, NULL, b.vessel_id, b.burner_id, b.plan, b.accepted_by, b.accepted_at - INTERVAL c.seq * 18 HOUR, 'DONE'
  FROM batch b JOIN copy c ON c.of_id = b.id;
INSERT INTO batch_event (batch_id, seq, id, kind, payload, happened_at, recorded_at, account_id)
  SELECT c.id, e.seq, UUID(), e.kind, e.payload, e.happened_at, e.recorded_at, e.account_id FROM batch_event e JOIN copy c ON c.of_id = e.batch_id;
INSERT IGNORE INTO device_reading (device_id, at, value)
  SELECT d.id, '2026-03-01' - INTERVAL s.seq * 5 MINUTE, 80 + 10 * RAND(s.seq) FROM device d JOIN seq_1_to_100000 s;
SELECT COUNT(*) AS batches FROM batch;
SELECT COUNT(*) AS entries FROM batch_event;
SELECT COUNT(*) AS readings FROM device_reading;
