-- What lies ready for the pot. A box is what came in of one thing in one go, and is never changed; what becomes of it is added beside it.
CREATE TABLE larder_box (
  id           CHAR(36)      NOT NULL PRIMARY KEY COMMENT 'made by the client: a repeated sending is recognised by it',
  kitchen_id   CHAR(36)      NOT NULL,
  goods        VARCHAR(60)   NOT NULL,
  kg           DECIMAL(8, 3) NOT NULL,
  came_on      DATE          NOT NULL,
  use_by       DATE          NULL     COMMENT 'nothing of what keeps',
  frozen       BOOLEAN       NOT NULL,
  thick_cm     DOUBLE        NULL     COMMENT 'of one that has to thaw',
  door_c       DOUBLE        NULL,
  supplier     VARCHAR(80)   NOT NULL,
  supplier_lot VARCHAR(60)   NOT NULL,
  price_per_kg DOUBLE        NULL,
  note         VARCHAR(300)  NOT NULL,
  trim         BOOLEAN       NOT NULL,
  taken_in_by  CHAR(36)      NOT NULL,
  taken_in_at  DATETIME(3)   NOT NULL,
  KEY (kitchen_id, use_by),
  KEY (kitchen_id, supplier_lot),
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  FOREIGN KEY (taken_in_by) REFERENCES account (id)
);
CREATE TABLE larder_entry (
  id      CHAR(36)      NOT NULL PRIMARY KEY COMMENT 'made by the client',
  box_id  CHAR(36)      NOT NULL,
  kind    VARCHAR(10)   NOT NULL,
  kg      DECIMAL(8, 3) NOT NULL COMMENT 'by which it changes what is left',
  reason  VARCHAR(300)  NOT NULL,
  made_by CHAR(36)      NOT NULL,
  made_at DATETIME(3)   NOT NULL,
  KEY (box_id, made_at),
  FOREIGN KEY (box_id) REFERENCES larder_box (id),
  FOREIGN KEY (made_by) REFERENCES account (id)
);
-- What batches took of boxes, as their events tell it, for looking up; rebuilt from the events.
CREATE TABLE larder_taking (
  event_id CHAR(36)      NOT NULL PRIMARY KEY,
  batch_id CHAR(36)      NOT NULL,
  box_id   CHAR(36)      NOT NULL,
  part     VARCHAR(60)   NOT NULL,
  kg       DECIMAL(8, 3) NOT NULL,
  taken_at DATETIME(3)   NOT NULL,
  KEY (batch_id),
  KEY (box_id),
  FOREIGN KEY (batch_id) REFERENCES batch (id),
  FOREIGN KEY (box_id) REFERENCES larder_box (id)
);
-- The trim bank is a part of it.
INSERT INTO larder_box (id, kitchen_id, goods, kg, came_on, use_by, frozen, supplier, supplier_lot, note, trim, taken_in_by, taken_in_at)
SELECT id, kitchen_id, item, kg, day, DATE_ADD(day, INTERVAL 90 DAY), TRUE, '', '', '', TRUE, put_by, put_at FROM trim_deposit;
INSERT INTO larder_entry (id, box_id, kind, kg, reason, made_by, made_at)
SELECT id, deposit_id, 'TAKEN_OUT', -kg, '', taken_by, taken_at FROM trim_taking;
DROP TABLE trim_taking;
DROP TABLE trim_deposit;
