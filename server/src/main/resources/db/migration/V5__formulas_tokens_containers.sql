-- Who wrote a version of a formula, when, and why; empty for the copies of the book.
ALTER TABLE formula
  ADD COLUMN saved_by CHAR(36)     NULL,
  ADD COLUMN saved_at DATETIME(3)  NULL,
  ADD COLUMN note     VARCHAR(300) NOT NULL DEFAULT '',
  ADD FOREIGN KEY (saved_by) REFERENCES account (id);

-- A retired formula is kept with all its versions, and offered to nobody.
CREATE TABLE formula_retired (
  kitchen_id CHAR(36)    NOT NULL,
  slug       VARCHAR(60) NOT NULL,
  retired_at DATETIME(3) NOT NULL,
  PRIMARY KEY (kitchen_id, slug),
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
);

-- Tokens for other programs; only a hash of each is kept.
CREATE TABLE api_token (
  id         CHAR(36)    NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36)    NOT NULL,
  name       VARCHAR(60) NOT NULL,
  hash       CHAR(64)    NOT NULL UNIQUE,
  made_by    CHAR(36)    NOT NULL,
  made_at    DATETIME(3) NOT NULL,
  used_at    DATETIME(3) NULL,
  revoked_at DATETIME(3) NULL,
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  FOREIGN KEY (made_by) REFERENCES account (id)
);

-- A kind of container now says how many of it there are; six, where nobody was asked.
UPDATE container SET figures = CONCAT('{"container":', figures, ',"owned":6}');

CREATE TABLE oven (
  id         CHAR(36)    NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36)    NOT NULL,
  name       VARCHAR(40) NOT NULL,
  position   INT         NOT NULL,
  figures    JSON        NOT NULL,
  retired_at DATETIME(3) NULL,
  UNIQUE (kitchen_id, name),
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
);

CREATE TABLE chiller (
  id         CHAR(36)    NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36)    NOT NULL,
  name       VARCHAR(40) NOT NULL,
  position   INT         NOT NULL,
  figures    JSON        NOT NULL,
  retired_at DATETIME(3) NULL,
  UNIQUE (kitchen_id, name),
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
);

-- Equipment that batches name is kept when it goes out of use.
ALTER TABLE vessel ADD COLUMN retired_at DATETIME(3) NULL;
ALTER TABLE burner ADD COLUMN retired_at DATETIME(3) NULL;
ALTER TABLE container ADD COLUMN retired_at DATETIME(3) NULL;
