-- A short number that signs for a person on a tablet that several share. Null: none, and so no signing there.
ALTER TABLE account ADD COLUMN pin_hash VARCHAR(200) NULL;
