-- Somebody who has left signs in no more; what they did keeps their name.
ALTER TABLE account ADD COLUMN left_at DATETIME(3) NULL;
