-- A batch is looked for by what it is of. The name stands in its plan; reading every plan for it would take seconds after a few years.
ALTER TABLE batch
  ADD COLUMN formula_name VARCHAR(80) AS (LEFT(JSON_VALUE(plan, '$.charge.formula.name'), 80)) STORED;
