-- The freezer box of clean trim: what was put by, and what was taken out of it again.
CREATE TABLE trim_deposit (
  id         CHAR(36)      NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36)      NOT NULL,
  item       VARCHAR(60)   NOT NULL,
  kg         DECIMAL(8, 3) NOT NULL,
  day        DATE          NOT NULL,
  put_by     CHAR(36)      NOT NULL,
  put_at     DATETIME(3)   NOT NULL,
  KEY (kitchen_id, day),
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  FOREIGN KEY (put_by) REFERENCES account (id)
);

CREATE TABLE trim_taking (
  id         CHAR(36)      NOT NULL PRIMARY KEY,
  deposit_id CHAR(36)      NOT NULL,
  kg         DECIMAL(8, 3) NOT NULL,
  taken_by   CHAR(36)      NOT NULL,
  taken_at   DATETIME(3)   NOT NULL,
  FOREIGN KEY (deposit_id) REFERENCES trim_deposit (id),
  FOREIGN KEY (taken_by) REFERENCES account (id)
);
