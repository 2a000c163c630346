-- What the supplier's slip said when a box came in at the door. Evidence: it stays.
CREATE TABLE box_photo (
  id         CHAR(36)    NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36)    NOT NULL,
  box_id     CHAR(36)    NOT NULL,
  taken_by   CHAR(36)    NOT NULL,
  taken_at   DATETIME(3) NOT NULL,
  width      INT         NOT NULL,
  height     INT         NOT NULL,
  jpeg       MEDIUMBLOB  NOT NULL,
  KEY (box_id, taken_at),
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  FOREIGN KEY (box_id) REFERENCES larder_box (id),
  FOREIGN KEY (taken_by) REFERENCES account (id)
);
