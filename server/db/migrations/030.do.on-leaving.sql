-- What the skin showed as the client left: only what is told a day or more after (check_in) makes a visit calm. `answer` is what earlier versions
-- asked for at the close, and stays as it was signed. `next_note` is for the next visit, apart from the visit's own note.
ALTER TABLE outcome ADD COLUMN leaving jsonb, ADD COLUMN next_note text NOT NULL DEFAULT '';

-- A note for next time that somebody has seen to.
CREATE TABLE next_note_done (
  visit_id uuid PRIMARY KEY,
  salon_id uuid NOT NULL REFERENCES salon DEFAULT current_salon(),
  done_by uuid NOT NULL,
  done_at timestamptz NOT NULL DEFAULT now(),
  FOREIGN KEY (salon_id, visit_id) REFERENCES visit (salon_id, id),
  FOREIGN KEY (salon_id, done_by) REFERENCES account (salon_id, id)
);
ALTER TABLE next_note_done ENABLE ROW LEVEL SECURITY;
CREATE POLICY own_salon ON next_note_done USING (salon_id = current_salon()) WITH CHECK (salon_id = current_salon());

-- As before, and what was seen on leaving and noted for next time goes too.
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
