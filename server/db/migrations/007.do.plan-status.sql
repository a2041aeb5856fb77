-- A plan that a search did not finish is called unfinished; "stop" is what a rule does.
-- Plans keep the engine and the rule book they were made with: those before 0.5.0 do not say what their card is for (no heart), name one
-- lever a step, and call a ladder ready that was longer than its slot. They are shown as they were.
ALTER TABLE fitted_plan DISABLE TRIGGER USER;

UPDATE fitted_plan
SET
  plan = jsonb_set(plan, '{status}', '"unfinished"')
WHERE
  plan ->> 'status' = 'stopped';

ALTER TABLE fitted_plan ENABLE TRIGGER USER;
