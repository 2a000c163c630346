-- A batch is put away in as many lots as it takes, cold or frozen, in so many containers of a kind.
ALTER TABLE lot
  ADD COLUMN kept       VARCHAR(6)   NOT NULL DEFAULT 'COLD',
  ADD COLUMN container  VARCHAR(500) NOT NULL DEFAULT '',
  ADD COLUMN containers INT          NOT NULL DEFAULT 1,
  ADD COLUMN thawed     BOOLEAN      NOT NULL DEFAULT FALSE;
