-- The rights of a client over what is kept of them, what goes out to people, and copies of everything.
ALTER TABLE client
ADD COLUMN restricted_at timestamptz,
ADD COLUMN restricted_why text,
ADD COLUMN erased_at timestamptz,
ADD CHECK ((restricted_at IS NULL) = (restricted_why IS NULL));

-- Who was erased, by an id that says nothing any more: applied again after every restore. It is kept beside the copies too, by whoever started the server.
CREATE TABLE erasure (
  client_id uuid PRIMARY KEY,
  salon_id uuid NOT NULL REFERENCES salon DEFAULT current_salon(),
  at timestamptz NOT NULL DEFAULT now(),
  by uuid,
  why text NOT NULL CHECK (why IN ('asked', 'retention', 'by-mistake')),
  noted_at timestamptz,
  FOREIGN KEY (salon_id, client_id) REFERENCES client (salon_id, id),
  FOREIGN KEY (salon_id, by) REFERENCES account (salon_id, id)
);

-- What goes out to people: what it says, to whom, and how far it came. The carrier alone; who writes what, the application says.
CREATE TABLE message (
  id uuid PRIMARY KEY,
  salon_id uuid NOT NULL REFERENCES salon DEFAULT current_salon(),
  kind text NOT NULL CHECK (kind IN ('invitation', 'password', 'confirmation', 'called-off')),
  client_id uuid,
  visit_id uuid,
  account_id uuid,
  to_address text NOT NULL,
  subject text NOT NULL,
  body text NOT NULL,
  calendar text,
  made_at timestamptz NOT NULL DEFAULT now(),
  made_by uuid,
  state text NOT NULL DEFAULT 'waits' CHECK (state IN ('waits', 'shown', 'sent', 'given-up')),
  tries int NOT NULL DEFAULT 0,
  next_try_at timestamptz NOT NULL DEFAULT now(),
  sent_at timestamptz,
  trouble text,
  UNIQUE (salon_id, id),
  FOREIGN KEY (salon_id, client_id) REFERENCES client (salon_id, id),
  FOREIGN KEY (salon_id, visit_id) REFERENCES visit (salon_id, id),
  FOREIGN KEY (salon_id, account_id) REFERENCES account (salon_id, id),
  FOREIGN KEY (salon_id, made_by) REFERENCES account (salon_id, id)
);
CREATE INDEX message_newest ON message (salon_id, made_at DESC);
CREATE INDEX message_waits ON message (next_try_at) WHERE state = 'waits';
CREATE INDEX message_client ON message (client_id);
-- A calendar takes a change for newer by this.
ALTER TABLE visit ADD COLUMN moved_times int NOT NULL DEFAULT 0;

DO $$
DECLARE
  name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['erasure', 'message'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_salon ON %I USING (salon_id = current_salon()) WITH CHECK (salon_id = current_salon())', name);
  END LOOP;
END $$;

-- Copies of the whole database, every salon in it: it belongs to the house.
CREATE TABLE backup_run (
  id uuid PRIMARY KEY,
  started_at timestamptz NOT NULL DEFAULT now(),
  ended_at timestamptz,
  ok boolean,
  file text NOT NULL DEFAULT '',
  bytes bigint,
  says text NOT NULL DEFAULT ''
);
CREATE INDEX backup_run_newest ON backup_run (started_at DESC);

-- Takes away everything that says who a client is or how they are, and keeps what counts without a name: that there was a visit, when, in which room, with whom and
-- after which card, its minutes, what was used of which lot, and the log. What the client had booked is called off. Gives how much went.
CREATE FUNCTION erase_client(gone uuid, given_by uuid, reason text) RETURNS jsonb LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
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
  DELETE FROM reading WHERE visit_id = ANY (their_visits);
  DELETE FROM run_event WHERE visit_id = ANY (their_visits);
  DELETE FROM fitted_plan WHERE visit_id = ANY (their_visits);
  DELETE FROM visit_override WHERE visit_id = ANY (their_visits);
  DELETE FROM tray_tick WHERE visit_id = ANY (their_visits);
  UPDATE outcome SET answer = NULL, levers = '[]', work = '[]', points = NULL, note = '' WHERE visit_id = ANY (their_visits);
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

-- Takes photographs away whose time is over; how many those were.
CREATE FUNCTION erase_photos(given uuid[]) RETURNS int LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  count int;
BEGIN
  DELETE FROM photo WHERE salon_id = current_salon() AND id = ANY (given);
  GET DIAGNOSTICS count = ROW_COUNT;
  RETURN count;
END $$;
REVOKE EXECUTE ON FUNCTION erase_client(uuid, uuid, text), erase_photos(uuid[]) FROM PUBLIC;

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
  SET CONSTRAINTS photo_salon_id_visit_id_client_id_fkey, kit_opening_salon_id_visit_id_client_id_fkey DEFERRED;
  UPDATE visit SET client_id = kept WHERE client_id = gone;
  UPDATE photo SET client_id = kept WHERE client_id = gone;
  UPDATE kit_opening SET client_id = kept WHERE client_id = gone;
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

CREATE OR REPLACE FUNCTION alike_clients(folded text, born date, digits text, most int)
RETURNS TABLE (id uuid) LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public, pg_temp SET plan_cache_mode = force_custom_plan AS $$
BEGIN
  RETURN QUERY
  SELECT c.id FROM client c
  WHERE
    c.salon_id = current_salon()
    AND c.merged_into IS NULL
    AND c.erased_at IS NULL
    AND (
      (c.born_on = born AND similarity(c.search, folded) > 0.25)
      OR c.search LIKE replace(replace(replace(folded, '\', '\\'), '%', '\%'), '_', '\_') || '%'
      OR (length(digits) > 5 AND c.phone_digits LIKE '%' || right(digits, 7))
    )
  ORDER BY c.born_on = born DESC, similarity(c.search, folded) DESC, c.id
  LIMIT most;
END $$;
CREATE OR REPLACE FUNCTION find_clients(longest text, others text[], digits text, born date, after_name text, after_id uuid, most int)
RETURNS TABLE (id uuid) LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public, pg_temp SET plan_cache_mode = force_custom_plan AS $$
BEGIN
  IF length(longest) > 3 OR digits <> '' OR born IS NOT NULL THEN
    RETURN QUERY
    WITH hit AS MATERIALIZED (
      SELECT c.id, c.sort_name FROM client c
      WHERE
        c.salon_id = current_salon()
        AND c.merged_into IS NULL
        AND c.erased_at IS NULL
        AND (
          longest = ''
          OR CASE
            -- Two letters have a trigram of their own only at the beginning of a word.
            WHEN longest ~ '^%[^%_\\]{2}%$' THEN c.search LIKE substr(longest, 2) OR c.search LIKE '% ' || substr(longest, 2)
            ELSE c.search LIKE longest
          END
        )
        AND (others = '{}' OR c.search LIKE ALL (others))
        AND (digits = '' OR c.phone_digits LIKE '%' || digits || '%')
        AND (born IS NULL OR c.born_on = born)
    )
    SELECT h.id FROM hit h
    WHERE after_id IS NULL OR (h.sort_name, h.id) > (after_name COLLATE "und-x-icu", after_id)
    ORDER BY h.sort_name, h.id
    LIMIT most;
    RETURN;
  END IF;
  RETURN QUERY
  SELECT c.id FROM client c
  WHERE
    c.salon_id = current_salon()
    AND c.merged_into IS NULL
    AND c.erased_at IS NULL
    AND (longest = '' OR c.search LIKE longest)
    AND (others = '{}' OR c.search LIKE ALL (others))
    AND (after_id IS NULL OR (c.sort_name, c.id) > (after_name COLLATE "und-x-icu", after_id))
  ORDER BY c.sort_name, c.id
  LIMIT most;
END $$;
