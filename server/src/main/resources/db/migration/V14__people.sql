-- A password that somebody else has set is for one sign-in; whoever it is for chooses their own then. Null: chosen by themselves.
ALTER TABLE account
  ADD COLUMN password_set_by CHAR(36)    NULL,
  ADD COLUMN password_set_at DATETIME(3) NULL,
  ADD FOREIGN KEY (password_set_by) REFERENCES account (id);

-- Tries at a password or a PIN, by what was tried and from where; counted before they are compared.
DROP TABLE failed_sign_in;
CREATE TABLE sign_in_try (
  what    VARCHAR(160) NOT NULL PRIMARY KEY,
  tries   INT          NOT NULL,
  last_at DATETIME(3)  NOT NULL,
  KEY (last_at)
);

-- The first run happens once, however many send it at the same time.
CREATE TABLE first_run (
  once TINYINT NOT NULL PRIMARY KEY
);
INSERT INTO first_run (once) SELECT DISTINCT 1 FROM kitchen;

-- "passed on late entries" is longer than what there was room for.
ALTER TABLE lot MODIFY verdict VARCHAR(30) NOT NULL;
