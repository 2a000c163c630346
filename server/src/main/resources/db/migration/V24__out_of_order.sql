-- What a kitchen has to do without for a while.
CREATE TABLE outage (
  id         CHAR(36)     NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36)     NOT NULL,
  kind       VARCHAR(8)   NOT NULL COMMENT 'VESSEL, BURNER, OVEN or COOKS',
  thing_id   CHAR(36)     NULL     COMMENT 'nothing of cooks',
  cooks      INT          NOT NULL COMMENT '0 of a thing',
  begins_at  DATETIME(3)  NOT NULL,
  ends_at    DATETIME(3)  NOT NULL,
  reason     VARCHAR(200) NOT NULL,
  told_by    CHAR(36)     NOT NULL,
  told_at    DATETIME(3)  NOT NULL,
  over_at    DATETIME(3)  NULL     COMMENT 'when somebody said that it is there again',
  KEY (kitchen_id, ends_at),
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  FOREIGN KEY (told_by) REFERENCES account (id)
);
-- What a station was told of a call that does not come as it was asked for; the latest stands.
CREATE TABLE call_word (
  id      BIGINT      NOT NULL AUTO_INCREMENT PRIMARY KEY,
  call_id CHAR(36)    NOT NULL,
  comes   JSON        NOT NULL COMMENT 'litres and when they are there',
  told_by CHAR(36)    NOT NULL,
  told_at DATETIME(3) NOT NULL,
  KEY (call_id, id),
  FOREIGN KEY (call_id) REFERENCES station_call (id),
  FOREIGN KEY (told_by) REFERENCES account (id)
);
