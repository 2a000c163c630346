-- What people hold of the course where it is, step by step, so that it can be taken back.
CREATE TABLE course_step (
  kitchen_id CHAR(36)    NOT NULL,
  step       INT         NOT NULL,
  drafts     JSON        NOT NULL,
  made_by    CHAR(36)    NOT NULL,
  made_at    DATETIME(3) NOT NULL,
  PRIMARY KEY (kitchen_id, step),
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id),
  FOREIGN KEY (made_by) REFERENCES account (id)
);
-- Which of them stands. The version counts every change, also one that takes another back.
CREATE TABLE course_held (
  kitchen_id CHAR(36) NOT NULL PRIMARY KEY,
  step       INT      NOT NULL,
  version    INT      NOT NULL,
  FOREIGN KEY (kitchen_id) REFERENCES kitchen (id)
);
