-- Calls that come back week by week. Each becomes calls of its own for the days ahead, which live on by themselves.
CREATE TABLE standing_call (
  id           CHAR(36)     NOT NULL PRIMARY KEY,
  kitchen_id   CHAR(36)     NOT NULL,
  station_id   CHAR(36)     NOT NULL,
  formula_slug VARCHAR(60)  NOT NULL,
  litres       DOUBLE       NOT NULL,
  days         VARCHAR(80)  NOT NULL,
  by_time      CHAR(5)      NOT NULL COMMENT 'of the kitchen''s own clock',
  skips        TEXT         NOT NULL,
  without      VARCHAR(300) NOT NULL,
  note         VARCHAR(300) NOT NULL,
  made_by      CHAR(36)     NOT NULL,
  made_at      DATETIME(3)  NOT NULL,
  ended_at     DATETIME(3)  NULL,
  KEY (kitchen_id, ended_at),
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  FOREIGN KEY (station_id) REFERENCES station (id),
  FOREIGN KEY (made_by) REFERENCES account (id)
);
-- One call for a day, whatever has become of it.
ALTER TABLE station_call
  ADD COLUMN standing_id  CHAR(36) NULL,
  ADD COLUMN standing_day DATE     NULL,
  ADD UNIQUE KEY station_call_of_standing (standing_id, standing_day),
  ADD CONSTRAINT station_call_standing FOREIGN KEY (standing_id) REFERENCES standing_call (id);
