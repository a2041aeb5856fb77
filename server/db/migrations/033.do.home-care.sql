-- What the client says they use at home, and whether they kept to their plan; each telling is a row, and the newest counts.
CREATE TABLE home_told (
  id uuid PRIMARY KEY,
  salon_id uuid NOT NULL REFERENCES salon DEFAULT current_salon(),
  client_id uuid NOT NULL,
  visit_id uuid NOT NULL,
  uses jsonb NOT NULL,
  kept_to text CHECK (kept_to IN ('as told', 'less', 'stopped')),
  kept_why text NOT NULL DEFAULT '',
  told_by uuid NOT NULL,
  told_at timestamptz NOT NULL DEFAULT now(),
  FOREIGN KEY (salon_id, visit_id, client_id) REFERENCES visit (salon_id, id, client_id) DEFERRABLE,
  FOREIGN KEY (salon_id, told_by) REFERENCES account (salon_id, id)
);
CREATE INDEX home_told_client ON home_told (client_id, told_at DESC);
CREATE INDEX home_told_visit ON home_told (visit_id);

-- A plan for home as it was given: each is a version, and stays as it was.
CREATE TABLE home_plan (
  id uuid PRIMARY KEY,
  salon_id uuid NOT NULL REFERENCES salon DEFAULT current_salon(),
  client_id uuid NOT NULL,
  visit_id uuid NOT NULL,
  plan jsonb NOT NULL,
  given_by uuid NOT NULL,
  given_at timestamptz NOT NULL DEFAULT now(),
  FOREIGN KEY (salon_id, visit_id, client_id) REFERENCES visit (salon_id, id, client_id) DEFERRABLE,
  FOREIGN KEY (salon_id, given_by) REFERENCES account (salon_id, id)
);
CREATE INDEX home_plan_client ON home_plan (client_id, given_at DESC);
CREATE INDEX home_plan_visit ON home_plan (visit_id, given_at DESC);

ALTER TABLE home_told ENABLE ROW LEVEL SECURITY;
CREATE POLICY own_salon ON home_told USING (salon_id = current_salon()) WITH CHECK (salon_id = current_salon());
ALTER TABLE home_plan ENABLE ROW LEVEL SECURITY;
CREATE POLICY own_salon ON home_plan USING (salon_id = current_salon()) WITH CHECK (salon_id = current_salon());

-- As before, and home care goes along.
CREATE OR REPLACE FUNCTION merge_clients(kept uuid, gone uuid) RETURNS boolean LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  found int;
BEGIN
  SELECT count(*) INTO found
  FROM (
    SELECT FROM client
    WHERE id IN (kept, gone) AND salon_id = current_salon() AND merged_into IS NULL AND erased_at IS NULL
    ORDER BY id
    FOR UPDATE
  ) both_of_them;
  IF found <> 2 THEN RETURN false; END IF;
  SET CONSTRAINTS photo_salon_id_visit_id_client_id_fkey, kit_opening_salon_id_visit_id_client_id_fkey, home_told_salon_id_visit_id_client_id_fkey, home_plan_salon_id_visit_id_client_id_fkey DEFERRED;
  UPDATE visit SET client_id = kept WHERE client_id = gone;
  UPDATE photo SET client_id = kept WHERE client_id = gone;
  UPDATE kit_opening SET client_id = kept WHERE client_id = gone;
  UPDATE home_told SET client_id = kept WHERE client_id = gone;
  UPDATE home_plan SET client_id = kept WHERE client_id = gone;
  UPDATE health_fact SET client_id = kept WHERE client_id = gone;
  UPDATE clearance SET client_id = kept WHERE client_id = gone;
  UPDATE patch_test SET client_id = kept WHERE client_id = gone;
  UPDATE consent SET client_id = kept WHERE client_id = gone;
  UPDATE client_note SET client_id = kept WHERE client_id = gone;
  UPDATE client_was SET client_id = kept WHERE client_id = gone;
  UPDATE message SET client_id = kept WHERE client_id = gone;
  DELETE FROM product_memory m
  WHERE client_id = gone AND EXISTS (
    SELECT FROM product_memory k
    WHERE k.salon_id = m.salon_id AND k.client_id = kept AND k.product_id = m.product_id AND k.memory = m.memory
  );
  UPDATE product_memory SET client_id = kept WHERE client_id = gone;
  UPDATE client SET merged_into = kept WHERE id = gone OR merged_into = gone;
  RETURN true;
END $$;

-- As before, and home care goes too.
CREATE OR REPLACE FUNCTION erase_client(gone uuid, given_by uuid, reason text) RETURNS jsonb LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  their_visits uuid[];
  everybody uuid[];
  counted jsonb;
BEGIN
  PERFORM FROM client WHERE id = gone AND salon_id = current_salon() AND merged_into IS NULL AND erased_at IS NULL FOR UPDATE;
  IF NOT FOUND THEN RETURN NULL; END IF;
  SELECT array_agg(id) INTO everybody FROM client WHERE salon_id = current_salon() AND (id = gone OR merged_into = gone);
  SELECT COALESCE(array_agg(id), '{}') INTO their_visits FROM visit WHERE client_id = ANY (everybody);
  SELECT jsonb_build_object(
    'visits', cardinality(their_visits),
    'photos', (SELECT count(*) FROM photo WHERE client_id = ANY (everybody)),
    'answers', (SELECT count(*) FROM health_fact WHERE client_id = ANY (everybody)),
    'calledOff', (SELECT count(*) FROM visit WHERE id = ANY (their_visits) AND stage <> 'called-off' AND locked_at IS NULL AND starts_at > now())
  ) INTO counted;
  DELETE FROM photo WHERE client_id = ANY (everybody);
  DELETE FROM health_fact WHERE client_id = ANY (everybody);
  DELETE FROM clearance WHERE client_id = ANY (everybody);
  DELETE FROM patch_test WHERE client_id = ANY (everybody);
  DELETE FROM consent WHERE client_id = ANY (everybody);
  DELETE FROM client_note WHERE client_id = ANY (everybody);
  DELETE FROM client_was WHERE client_id = ANY (everybody);
  DELETE FROM product_memory WHERE client_id = ANY (everybody);
  DELETE FROM kit_opening WHERE client_id = ANY (everybody);
  DELETE FROM home_told WHERE client_id = ANY (everybody);
  DELETE FROM home_plan WHERE client_id = ANY (everybody);
  DELETE FROM message WHERE client_id = ANY (everybody) OR visit_id = ANY (their_visits);
  DELETE FROM waiting_change WHERE split_part(path, '/', 4) = ANY (their_visits::text[]);
  DELETE FROM client_import_row r WHERE EXISTS (SELECT FROM client c WHERE c.id = ANY (everybody) AND r.body ->> 'name' = c.name);
  DELETE FROM check_in WHERE visit_id = ANY (their_visits);
  DELETE FROM next_note_done WHERE visit_id = ANY (their_visits);
  DELETE FROM reading WHERE visit_id = ANY (their_visits);
  DELETE FROM run_event WHERE visit_id = ANY (their_visits);
  DELETE FROM fitted_plan WHERE visit_id = ANY (their_visits);
  DELETE FROM visit_override WHERE visit_id = ANY (their_visits);
  DELETE FROM tray_tick WHERE visit_id = ANY (their_visits);
  UPDATE outcome SET answer = NULL, leaving = NULL, levers = '[]', work = '[]', points = NULL, note = '', next_note = '' WHERE visit_id = ANY (their_visits);
  DELETE FROM practitioner_booking b USING visit v
  WHERE b.visit_id = v.id AND v.id = ANY (their_visits) AND v.locked_at IS NULL AND v.starts_at > now();
  UPDATE visit SET stage = 'called-off', called_off_at = now(), called_off_by = given_by
  WHERE id = ANY (their_visits) AND stage <> 'called-off' AND locked_at IS NULL AND starts_at > now();
  UPDATE visit SET fit = NULL, prep = NULL, called_off_reason = NULL WHERE id = ANY (their_visits);
  UPDATE client SET
    name = 'Erased ' || left(id::text, 8), born_on = '1900-01-01', concerns = '{}', goal_details = '{}',
    phone = '', email = '', address = '', contact = '{}', search = '',
    restricted_at = NULL, restricted_why = NULL, erased_at = now()
  WHERE id = ANY (everybody);
  INSERT INTO erasure (client_id, salon_id, by, why) SELECT e, current_salon(), given_by, reason FROM unnest(everybody) e
  ON CONFLICT (client_id) DO UPDATE SET at = now(), noted_at = NULL;
  RETURN counted;
END $$;
