-- How many cubes of a lot are left in the freezer; 0 where it is in one piece.
ALTER TABLE lot ADD COLUMN cubes INT NOT NULL DEFAULT 0 AFTER containers;
