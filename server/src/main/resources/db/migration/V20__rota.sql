-- When people are in the kitchen, as the core writes its hours down; what simmers while nobody is there. Hours across midnight, and more than one shift, are new.
ALTER TABLE kitchen
  ADD COLUMN hours TEXT NULL,
  ADD COLUMN unattended VARCHAR(10) NOT NULL DEFAULT 'NEVER';
UPDATE kitchen SET hours = CONCAT(
  '[{"days":["MONDAY","TUESDAY","WEDNESDAY","THURSDAY","FRIDAY","SATURDAY","SUNDAY"],"from":"',
  TIME_FORMAT(opens, '%H:%i:%s'), '","to":"', TIME_FORMAT(closes, '%H:%i:%s'), '","cooks":1}]');
ALTER TABLE kitchen
  MODIFY COLUMN hours TEXT NOT NULL,
  DROP COLUMN opens,
  DROP COLUMN closes;
