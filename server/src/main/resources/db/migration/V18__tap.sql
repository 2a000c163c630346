-- How cold the water comes that pots and baths are filled with.
ALTER TABLE kitchen ADD COLUMN tap_c DOUBLE NOT NULL DEFAULT 12;
