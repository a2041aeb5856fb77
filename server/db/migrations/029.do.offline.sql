-- A ladder that was fitted on a tablet without a network: what does not hold of it with what was known elsewhere, in sentences.
ALTER TABLE fitted_plan ADD COLUMN faults text[] NOT NULL DEFAULT '{}';
-- An answer that two tablets gave differently: what each said. Until somebody asks again it counts as not known.
ALTER TABLE health_fact ADD COLUMN sides jsonb;
-- The id that a tablet gave to a signature: sent again because the answer was lost, it is the same one.
ALTER TABLE outcome ADD COLUMN sent_id uuid;
