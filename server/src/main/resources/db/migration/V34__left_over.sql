-- What is left over of a stock that was strained lies in the larder too: spent bones, fat, picked meat. Its box, once there, is never changed, as no box is.
ALTER TABLE larder_box
  ADD COLUMN batch_id CHAR(36) NULL COMMENT 'that it is left over of; nothing of what was delivered',
  ADD KEY (batch_id),
  ADD FOREIGN KEY (batch_id) REFERENCES batch (id);
-- What such a box holds, made anew from the events of its batch; nothing once the entry is taken back.
CREATE TABLE left_over (
  box_id   CHAR(36)      NOT NULL PRIMARY KEY COMMENT 'id of the event',
  batch_id CHAR(36)      NOT NULL,
  kg       DECIMAL(8, 3) NOT NULL,
  contents JSON          NOT NULL COMMENT 'what was in the stock that it lay in',
  KEY (batch_id),
  FOREIGN KEY (box_id) REFERENCES larder_box (id),
  FOREIGN KEY (batch_id) REFERENCES batch (id)
);
-- What was poured to a lot of other batches, for whoever reads its label; and a shelf is looked at without all that ever stood on it.
ALTER TABLE lot
  ADD COLUMN blend JSON NULL COMMENT 'nothing in a lot of one batch alone',
  ADD KEY (kitchen_id, left_litres);
ALTER TABLE batch ADD COLUMN family VARCHAR(30) AS (LEFT(JSON_VALUE(plan, '$.charge.formula.family'), 30)) STORED;
-- What was strained, or cleaned down, last in a kitchen.
ALTER TABLE batch_event ADD KEY (kind, happened_at);
-- A trace asks for all slips of some batches.
ALTER TABLE delivery ADD KEY (batch_id);
