-- Stock is also handed out hot, before it lies in any lot; and a slip says what became of it at the station.
ALTER TABLE delivery
  MODIFY lot_id CHAR(36) NULL COMMENT 'nothing where it was handed out before it was put away',
  ADD COLUMN contents      JSON        NULL COMMENT 'what is in it; nothing in what an earlier version made',
  ADD COLUMN celsius       DOUBLE      NULL COMMENT 'as it was handed over',
  ADD COLUMN taken_over_id CHAR(36)    NULL COMMENT 'the event by which the station took it over',
  ADD COLUMN taken_over_at DATETIME(3) NULL,
  ADD COLUMN back_litres   DOUBLE      NOT NULL DEFAULT 0;
