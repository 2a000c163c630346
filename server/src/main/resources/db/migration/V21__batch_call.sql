-- A batch is made for as many calls as there are litres for: whose they are, in the order in which they are served, and what it still has for each.
CREATE TABLE batch_call (
  batch_id   CHAR(36) NOT NULL,
  call_id    CHAR(36) NOT NULL,
  place      INT         NOT NULL,
  litres     DOUBLE      NOT NULL,
  promised_l DOUBLE      NULL COMMENT 'nothing: a batch from before this was told, which stands for its call in full',
  PRIMARY KEY (batch_id, call_id),
  KEY batch_call_of_call (call_id),
  CONSTRAINT batch_call_batch FOREIGN KEY (batch_id) REFERENCES batch (id),
  CONSTRAINT batch_call_call FOREIGN KEY (call_id) REFERENCES station_call (id)
);
INSERT INTO batch_call (batch_id, call_id, place, litres, promised_l)
SELECT b.id, b.call_id, 0, CAST(JSON_VALUE(b.plan, '$.called.litres') AS DOUBLE), b.promised_l
FROM batch b WHERE b.call_id IS NOT NULL;
ALTER TABLE batch DROP COLUMN promised_l;
