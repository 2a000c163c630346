-- Where each burner is on the range, from the back left; null stands for the order in which they were entered.
ALTER TABLE burner
  ADD COLUMN hob_row    INT NULL,
  ADD COLUMN hob_column INT NULL;

-- Which burner a batch's vessel stands on.
ALTER TABLE batch
  ADD COLUMN burner_id CHAR(36) NULL,
  ADD FOREIGN KEY (burner_id) REFERENCES burner (id);
