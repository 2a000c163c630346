-- Stations have an order, count more or less, and need what they need of every stock; those that are no more are kept for the calls that name them.
ALTER TABLE station
  ADD COLUMN position   INT          NOT NULL DEFAULT 0,
  ADD COLUMN importance VARCHAR(10)  NOT NULL DEFAULT 'USUAL',
  ADD COLUMN without    VARCHAR(300) NOT NULL DEFAULT '',
  ADD COLUMN needs      VARCHAR(100) NOT NULL DEFAULT '',
  ADD COLUMN retired_at DATETIME(3)  NULL;
UPDATE station s JOIN (
  SELECT id, ROW_NUMBER() OVER (PARTITION BY kitchen_id ORDER BY name) - 1 AS place FROM station) o ON o.id = s.id
SET s.position = o.place;
-- What a call's stock must be, beside what must not be in it.
ALTER TABLE station_call
  MODIFY COLUMN without VARCHAR(300) NOT NULL,
  ADD COLUMN needs VARCHAR(100) NOT NULL DEFAULT '';
ALTER TABLE standing_call ADD COLUMN needs VARCHAR(100) NOT NULL DEFAULT '';
-- All that is in a lot, as the core writes it down; nothing of those of before, which are made anew from their events.
ALTER TABLE lot
  ADD COLUMN contents JSON NULL,
  DROP COLUMN allergens;
