-- Addresses under which a calendar may be read by whoever knows them. The address itself is told once and never stored.
CREATE TABLE calendar_feed (
  id         CHAR(36)    NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36)    NOT NULL,
  account_id CHAR(36)    NOT NULL COMMENT 'whose rights it has',
  hash       CHAR(64)    NOT NULL UNIQUE,
  made_at    DATETIME(3) NOT NULL,
  ended_at   DATETIME(3) NULL,
  KEY (account_id, ended_at),
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  FOREIGN KEY (account_id) REFERENCES account (id)
);
