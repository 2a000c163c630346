-- When somebody looks in on what simmers while nobody is there, by the kitchen's own clock.
ALTER TABLE kitchen ADD COLUMN checks VARCHAR(200) NOT NULL DEFAULT '';
