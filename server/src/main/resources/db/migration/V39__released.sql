-- Who vouches for a lot whose record does not prove that it cooled in time: the entry that says so.
ALTER TABLE lot ADD COLUMN release_id CHAR(36) NULL;
