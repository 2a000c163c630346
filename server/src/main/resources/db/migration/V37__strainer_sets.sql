-- How many batches can be strained at once; 0 where nobody has told.
ALTER TABLE kitchen ADD COLUMN strainer_sets INT NOT NULL DEFAULT 0 AFTER call_tolerance;
