-- So many litres are to stand in the cold: what lacks is asked for.
ALTER TABLE standing_call ADD COLUMN on_hand BOOLEAN NOT NULL DEFAULT FALSE;
