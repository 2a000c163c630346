CREATE TABLE kitchen (
  id           CHAR(36)      NOT NULL PRIMARY KEY,
  name         VARCHAR(80)   NOT NULL,
  altitude_m   DOUBLE        NOT NULL,
  time_zone    VARCHAR(60)   NOT NULL,
  units        VARCHAR(10)   NOT NULL,
  air_c        DOUBLE        NOT NULL,
  humidity     DOUBLE        NOT NULL,
  air_speed_ms DOUBLE        NOT NULL,
  opens        TIME          NOT NULL,
  closes       TIME          NOT NULL,
  limits       JSON          NOT NULL
);

CREATE TABLE station (
  id         CHAR(36)    NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36)    NOT NULL,
  name       VARCHAR(40) NOT NULL,
  UNIQUE (kitchen_id, name),
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
);

CREATE TABLE account (
  id            CHAR(36)    NOT NULL PRIMARY KEY,
  kitchen_id    CHAR(36)    NOT NULL,
  station_id    CHAR(36)    NULL,
  sign_in       VARCHAR(60) NOT NULL UNIQUE,
  name          VARCHAR(80) NOT NULL,
  initials      VARCHAR(4)  NOT NULL,
  role          VARCHAR(12) NOT NULL,
  units         VARCHAR(10) NULL COMMENT 'null: as the kitchen',
  password_hash VARCHAR(200) NOT NULL,
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  FOREIGN KEY (station_id) REFERENCES station (id)
);

-- Failed sign-ins, counted to slow down guessing; shared by all instances.
CREATE TABLE failed_sign_in (
  id      BIGINT      NOT NULL AUTO_INCREMENT PRIMARY KEY,
  sign_in VARCHAR(60) NOT NULL,
  address VARCHAR(60) NOT NULL,
  at      DATETIME(3) NOT NULL,
  KEY (sign_in, at),
  KEY (address, at)
);

CREATE TABLE vessel (
  id         CHAR(36)    NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36)    NOT NULL,
  name       VARCHAR(40) NOT NULL,
  position   INT         NOT NULL,
  figures    JSON        NOT NULL,
  UNIQUE (kitchen_id, name),
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
);

CREATE TABLE burner (
  id         CHAR(36)    NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36)    NOT NULL,
  name       VARCHAR(40) NOT NULL,
  position   INT         NOT NULL,
  figures    JSON        NOT NULL,
  UNIQUE (kitchen_id, name),
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
);

CREATE TABLE container (
  id         CHAR(36)    NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36)    NOT NULL,
  name       VARCHAR(40) NOT NULL,
  position   INT         NOT NULL,
  figures    JSON        NOT NULL,
  UNIQUE (kitchen_id, name),
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
);

CREATE TABLE bed_kind (
  kitchen_id CHAR(36)    NOT NULL,
  slug       VARCHAR(60) NOT NULL,
  figures    JSON        NOT NULL,
  PRIMARY KEY (kitchen_id, slug),
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
);

CREATE TABLE formula (
  kitchen_id CHAR(36)    NOT NULL,
  slug       VARCHAR(60) NOT NULL,
  version    INT         NOT NULL,
  name       VARCHAR(80) NOT NULL,
  family     VARCHAR(20) NOT NULL,
  formula    JSON        NOT NULL,
  PRIMARY KEY (kitchen_id, slug, version),
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
);
