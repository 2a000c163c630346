-- Stock that left a batch for another pot, out of a lot or before it was put away; made anew from the events of the batch that it left.
CREATE TABLE drawing (
  id         CHAR(36)    NOT NULL PRIMARY KEY COMMENT 'id of the event',
  kitchen_id CHAR(36)    NOT NULL,
  batch_id   CHAR(36)    NOT NULL COMMENT 'that it left',
  lot_id     CHAR(36)    NULL     COMMENT 'that it left; nothing where it was not put away yet',
  into_id    CHAR(36)    NOT NULL COMMENT 'the batch that it went into',
  litres     DOUBLE      NOT NULL,
  drawn_at   DATETIME(3) NOT NULL,
  KEY (batch_id),
  KEY (into_id),
  FOREIGN KEY (batch_id) REFERENCES batch (id),
  FOREIGN KEY (into_id) REFERENCES batch (id)
);
