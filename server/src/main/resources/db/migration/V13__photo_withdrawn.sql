-- A photo is evidence and stays; whoever takes it out of the record says why.
CREATE TABLE photo_withdrawn (
  photo_id     CHAR(36)     NOT NULL PRIMARY KEY,
  withdrawn_by CHAR(36)     NOT NULL,
  withdrawn_at DATETIME(3)  NOT NULL,
  reason       VARCHAR(300) NOT NULL,
  FOREIGN KEY (photo_id) REFERENCES photo (id),
  FOREIGN KEY (withdrawn_by) REFERENCES account (id)
);
