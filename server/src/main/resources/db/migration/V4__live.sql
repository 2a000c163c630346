-- What changed, in the order of writing: every instance reads it and tells its screens.
CREATE TABLE change_log (
  seq        BIGINT      NOT NULL AUTO_INCREMENT PRIMARY KEY,
  kitchen_id CHAR(36)    NOT NULL,
  topic      VARCHAR(20) NOT NULL,
  ref        VARCHAR(36) NOT NULL,
  at         DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  KEY (at)
);
