CREATE TABLE station_call (
  id           CHAR(36)     NOT NULL PRIMARY KEY,
  kitchen_id   CHAR(36)     NOT NULL,
  station_id   CHAR(36)     NOT NULL,
  formula_slug VARCHAR(60)  NOT NULL,
  litres       DOUBLE       NOT NULL,
  ready_by     DATETIME(3)  NOT NULL,
  without      VARCHAR(200) NOT NULL COMMENT 'allergens to leave out, comma-separated',
  note         VARCHAR(300) NOT NULL,
  asked_by     CHAR(36)     NOT NULL,
  asked_at     DATETIME(3)  NOT NULL,
  withdrawn_at DATETIME(3)  NULL,
  KEY (kitchen_id, ready_by),
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  FOREIGN KEY (station_id) REFERENCES station (id),
  FOREIGN KEY (asked_by) REFERENCES account (id)
);

CREATE TABLE batch (
  id          CHAR(36)    NOT NULL PRIMARY KEY,
  kitchen_id  CHAR(36)    NOT NULL,
  number      INT         NOT NULL,
  call_id     CHAR(36)    NULL,
  vessel_id   CHAR(36)    NOT NULL,
  plan        JSON        NOT NULL,
  accepted_by CHAR(36)    NOT NULL,
  accepted_at DATETIME(3) NOT NULL,
  stage       VARCHAR(12) NOT NULL COMMENT 'by replay after the latest event; rebuilt from the events',
  UNIQUE (kitchen_id, number),
  KEY (kitchen_id, stage),
  KEY (vessel_id, stage),
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  FOREIGN KEY (call_id) REFERENCES station_call (id),
  FOREIGN KEY (vessel_id) REFERENCES vessel (id),
  FOREIGN KEY (accepted_by) REFERENCES account (id)
);

-- What happened. Rows are only ever added.
CREATE TABLE batch_event (
  batch_id    CHAR(36)    NOT NULL,
  seq         INT         NOT NULL,
  id          CHAR(36)    NOT NULL COMMENT 'made by the client: a repeated sending is recognised by it',
  kind        VARCHAR(30) NOT NULL,
  payload     JSON        NOT NULL,
  happened_at DATETIME(3) NOT NULL,
  recorded_at DATETIME(3) NOT NULL,
  account_id  CHAR(36)    NOT NULL,
  PRIMARY KEY (batch_id, seq),
  UNIQUE (id),
  FOREIGN KEY (batch_id) REFERENCES batch (id),
  FOREIGN KEY (account_id) REFERENCES account (id)
);

-- Lots and deliveries as the events tell them, for looking up; rebuilt from the events.
CREATE TABLE lot (
  id          CHAR(36)     NOT NULL PRIMARY KEY COMMENT 'id of the event that put it away',
  kitchen_id  CHAR(36)     NOT NULL,
  batch_id    CHAR(36)     NOT NULL,
  code        VARCHAR(30)  NOT NULL,
  litres      DOUBLE       NOT NULL,
  left_litres DOUBLE       NOT NULL,
  made_at     DATETIME(3)  NOT NULL,
  use_by      DATE         NOT NULL,
  allergens   VARCHAR(200) NOT NULL,
  place       VARCHAR(500) NOT NULL,
  verdict     VARCHAR(12)  NOT NULL,
  UNIQUE (kitchen_id, code),
  KEY (kitchen_id, use_by),
  FOREIGN KEY (batch_id) REFERENCES batch (id)
);

CREATE TABLE delivery (
  id           CHAR(36)    NOT NULL PRIMARY KEY COMMENT 'id of the event',
  kitchen_id   CHAR(36)    NOT NULL,
  batch_id     CHAR(36)    NOT NULL,
  lot_id       CHAR(36)    NOT NULL,
  station_id   CHAR(36)    NOT NULL,
  call_id      CHAR(36)    NULL,
  litres       DOUBLE      NOT NULL,
  delivered_at DATETIME(3) NOT NULL,
  KEY (kitchen_id, delivered_at),
  KEY (call_id),
  FOREIGN KEY (lot_id) REFERENCES lot (id),
  FOREIGN KEY (station_id) REFERENCES station (id)
);
