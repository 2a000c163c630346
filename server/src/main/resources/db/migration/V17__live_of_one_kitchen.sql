-- What a kitchen looked at last is asked often, and a screen that logged an act has its answer already.
ALTER TABLE change_log
  ADD COLUMN act CHAR(36) NOT NULL DEFAULT '',
  ADD KEY (kitchen_id, seq);
