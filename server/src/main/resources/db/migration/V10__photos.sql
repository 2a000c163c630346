-- Pictures of a batch, as the application has drawn them anew: nothing of what was sent is kept but what can be seen.
CREATE TABLE photo (
  id         CHAR(36)    NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36)    NOT NULL,
  batch_id   CHAR(36)    NOT NULL,
  subject    VARCHAR(12) NOT NULL,
  taken_by   CHAR(36)    NOT NULL,
  taken_at   DATETIME(3) NOT NULL,
  width      INT         NOT NULL,
  height     INT         NOT NULL,
  jpeg       MEDIUMBLOB  NOT NULL,
  KEY (batch_id, taken_at),
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  FOREIGN KEY (batch_id) REFERENCES batch (id),
  FOREIGN KEY (taken_by) REFERENCES account (id)
);
