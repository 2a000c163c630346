-- Who gave which pots to whom at a change of shift. What stood on the range then is kept as it was told.
CREATE TABLE hand_over (
  id         CHAR(36)     NOT NULL PRIMARY KEY,
  kitchen_id CHAR(36)     NOT NULL,
  given_by   CHAR(36)     NOT NULL,
  given_at   DATETIME(3)  NOT NULL,
  words      VARCHAR(600) NOT NULL,
  pots       JSON         NOT NULL,
  KEY (kitchen_id, given_at),
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  FOREIGN KEY (given_by) REFERENCES account (id)
);

-- Whoever takes pots over signs for them.
CREATE TABLE hand_over_signature (
  hand_over_id CHAR(36)    NOT NULL,
  account_id   CHAR(36)    NOT NULL,
  signed_at    DATETIME(3) NOT NULL,
  PRIMARY KEY (hand_over_id, account_id),
  FOREIGN KEY (hand_over_id) REFERENCES hand_over (id),
  FOREIGN KEY (account_id) REFERENCES account (id)
);
