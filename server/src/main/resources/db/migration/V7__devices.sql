-- Probes and scales that report by themselves. The token of each is told once; only its hash is kept.
CREATE TABLE device (
  id         CHAR(36)    NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36)    NOT NULL,
  name       VARCHAR(40) NOT NULL,
  kind       VARCHAR(10) NOT NULL,
  vessel_id  CHAR(36)    NULL,
  hash       CHAR(64)    NOT NULL UNIQUE,
  made_at    DATETIME(3) NOT NULL,
  revoked_at DATETIME(3) NULL,
  last_at    DATETIME(3) NULL,
  last_value DOUBLE      NULL,
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  FOREIGN KEY (vessel_id) REFERENCES vessel (id)
);

-- One value a device and millisecond: what is sent twice is there once.
CREATE TABLE device_reading (
  device_id CHAR(36)    NOT NULL,
  at        DATETIME(3) NOT NULL,
  value     DOUBLE      NOT NULL,
  PRIMARY KEY (device_id, at),
  FOREIGN KEY (device_id) REFERENCES device (id)
);
