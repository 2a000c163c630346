-- The share by which a call may be short and still be closed as met; what a batch still has for its call; how a call was closed.
ALTER TABLE kitchen ADD COLUMN call_tolerance DOUBLE NOT NULL DEFAULT 0.03;
-- Nothing: a batch from before this was told, which stands for its call in full.
ALTER TABLE batch ADD COLUMN promised_l DOUBLE NULL;
ALTER TABLE station_call
  ADD COLUMN closed_at DATETIME(3) NULL,
  ADD COLUMN closed_by CHAR(36) NULL,
  ADD COLUMN closed_short BOOLEAN NOT NULL DEFAULT FALSE,
  ADD COLUMN closed_reason VARCHAR(300) NOT NULL DEFAULT '';
