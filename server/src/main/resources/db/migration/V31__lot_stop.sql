-- What somebody said of a lot that nobody may hand out, or may again; the latest stands.
CREATE TABLE lot_stop (
  id      BIGINT       NOT NULL AUTO_INCREMENT PRIMARY KEY,
  lot_id  CHAR(36)     NOT NULL COMMENT 'of the entry that put it away: a lot itself is made anew from its events',
  stopped BOOLEAN      NOT NULL,
  reason  VARCHAR(300) NOT NULL,
  made_by CHAR(36)     NOT NULL,
  made_at DATETIME(3)  NOT NULL,
  KEY (lot_id, id),
  FOREIGN KEY (made_by) REFERENCES account (id)
);
