-- Clients as a salon keeps them: found while one types, written to with their consent, corrected, and one where there were two.

ALTER TABLE client
ADD COLUMN phone text NOT NULL DEFAULT '',
ADD COLUMN email text NOT NULL DEFAULT '',
ADD COLUMN address text NOT NULL DEFAULT '',
-- How they may be written to or called: what is not named is not used.
ADD COLUMN contact text[] NOT NULL DEFAULT '{}',
-- Name and mail in small plain letters, as the application folds them (core/client/search).
ADD COLUMN search text NOT NULL DEFAULT '',
ADD COLUMN phone_digits text NOT NULL GENERATED ALWAYS AS (regexp_replace(phone, '[^0-9]', '', 'g')) STORED,
ADD COLUMN sort_name text COLLATE "und-x-icu" NOT NULL GENERATED ALWAYS AS (name COLLATE "und-x-icu") STORED,
ADD COLUMN made_at timestamptz NOT NULL DEFAULT now(),
ADD COLUMN merged_into uuid,
ADD FOREIGN KEY (salon_id, merged_into) REFERENCES client (salon_id, id);
UPDATE client SET search = lower(name);
DROP INDEX client_name_trgm;
CREATE INDEX client_search ON client USING gin (search gin_trgm_ops);
CREATE INDEX client_phone ON client USING gin (phone_digits gin_trgm_ops) WHERE phone_digits <> '';
CREATE INDEX client_sorted ON client (salon_id, sort_name, id) WHERE merged_into IS NULL;
CREATE INDEX client_born ON client (salon_id, born_on);

-- Whoever writes a client without folding is found by plain small letters.
CREATE FUNCTION fold_client() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF NEW.search = '' THEN NEW.search := lower(NEW.name || ' ' || NEW.email); END IF;
  RETURN NEW;
END $$;
CREATE TRIGGER client_folded BEFORE INSERT ON client FOR EACH ROW EXECUTE FUNCTION fold_client();

-- What is remembered of somebody, apart from their health: appended, taken back, never overwritten.
CREATE TABLE client_note (
  id uuid PRIMARY KEY,
  salon_id uuid NOT NULL REFERENCES salon DEFAULT current_salon(),
  client_id uuid NOT NULL,
  kind text NOT NULL CHECK (kind IN ('note', 'manner')),
  body text NOT NULL CHECK (body <> ''),
  made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
  made_by uuid,
  taken_back_at timestamptz,
  taken_back_by uuid,
  FOREIGN KEY (salon_id, client_id) REFERENCES client (salon_id, id),
  FOREIGN KEY (salon_id, made_by) REFERENCES account (salon_id, id),
  FOREIGN KEY (salon_id, taken_back_by) REFERENCES account (salon_id, id)
);
CREATE INDEX client_note_client ON client_note (client_id, made_at);
INSERT INTO client_note (id, salon_id, client_id, kind, body)
SELECT gen_random_uuid(), salon_id, id, 'note', unnest(notes) FROM client;
ALTER TABLE client DROP COLUMN notes;

-- How a client's record read before it was corrected.
CREATE TABLE client_was (
  id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  salon_id uuid NOT NULL REFERENCES salon DEFAULT current_salon(),
  client_id uuid NOT NULL,
  until timestamptz NOT NULL DEFAULT clock_timestamp(),
  by uuid,
  name text NOT NULL,
  born_on date NOT NULL,
  phone text NOT NULL,
  email text NOT NULL,
  address text NOT NULL,
  contact text[] NOT NULL,
  FOREIGN KEY (salon_id, client_id) REFERENCES client (salon_id, id),
  FOREIGN KEY (salon_id, by) REFERENCES account (salon_id, id)
);
CREATE INDEX client_was_client ON client_was (client_id, until);

-- Rows of a file on their way in, as with the shelf.
CREATE TABLE client_import (
  id uuid PRIMARY KEY,
  salon_id uuid NOT NULL REFERENCES salon DEFAULT current_salon(),
  started_at timestamptz NOT NULL DEFAULT now(),
  by uuid NOT NULL,
  UNIQUE (salon_id, id),
  FOREIGN KEY (salon_id, by) REFERENCES account (salon_id, id)
);
CREATE TABLE client_import_row (
  salon_id uuid NOT NULL REFERENCES salon DEFAULT current_salon(),
  import_id uuid NOT NULL,
  at int NOT NULL CHECK (at >= 0),
  body jsonb NOT NULL,
  PRIMARY KEY (import_id, at),
  FOREIGN KEY (salon_id, import_id) REFERENCES client_import (salon_id, id) ON DELETE CASCADE
);

DO $$
DECLARE
  name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['client_note', 'client_was', 'client_import', 'client_import_row'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_salon ON %I USING (salon_id = current_salon()) WITH CHECK (salon_id = current_salon())', name);
  END LOOP;
END $$;

-- What is kept as it was written may be moved to another client, or erased, by one role that nobody signs in as and that only two functions act as.
CREATE OR REPLACE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF current_user = 'zen_erase' THEN RETURN COALESCE(NEW, OLD); END IF;
  RAISE EXCEPTION '% is kept as it was written; append a new row instead', TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
END $$;
CREATE OR REPLACE FUNCTION refuse_locked_visit() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF OLD.locked_at IS NOT NULL AND current_user <> 'zen_erase' THEN
    RAISE EXCEPTION 'visit % is signed and locked', OLD.id USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN COALESCE(NEW, OLD);
END $$;
CREATE OR REPLACE FUNCTION refuse_consent_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF current_user = 'zen_erase' THEN RETURN COALESCE(NEW, OLD); END IF;
  IF TG_OP = 'DELETE' OR OLD.withdrawn_on IS NOT NULL OR NEW.withdrawn_on IS NULL OR (to_jsonb(NEW) - 'withdrawn_on') <> (to_jsonb(OLD) - 'withdrawn_on') THEN
    RAISE EXCEPTION 'a consent is kept as it was signed; it can be withdrawn once' USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NEW;
END $$;
CREATE OR REPLACE FUNCTION refuse_second_patch_reading() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF current_user = 'zen_erase' THEN RETURN COALESCE(NEW, OLD); END IF;
  IF TG_OP = 'DELETE' OR OLD.result <> 'waiting' THEN
    RAISE EXCEPTION 'a patch test that has been read is kept as it is; place another' USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NEW;
END $$;

ALTER TABLE photo ALTER CONSTRAINT photo_salon_id_visit_id_client_id_fkey DEFERRABLE;
ALTER TABLE kit_opening ALTER CONSTRAINT kit_opening_salon_id_visit_id_client_id_fkey DEFERRABLE;

-- Makes one client of two: everything of the one that goes is the other's from then on; the one that goes stays as a name that leads there.
CREATE FUNCTION merge_clients(kept uuid, gone uuid) RETURNS boolean LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  found int;
BEGIN
  SELECT count(*) INTO found
  FROM (
    SELECT FROM client
    WHERE id IN (kept, gone) AND salon_id = current_salon() AND merged_into IS NULL
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
  DELETE FROM product_memory m
  WHERE client_id = gone AND EXISTS (
    SELECT FROM product_memory k
    WHERE k.salon_id = m.salon_id AND k.client_id = kept AND k.product_id = m.product_id AND k.memory = m.memory
  );
  UPDATE product_memory SET client_id = kept WHERE client_id = gone;
  UPDATE client SET merged_into = kept WHERE id = gone OR merged_into = gone;
  RETURN true;
END $$;

-- Searching finds its index past row-level security alone (docs/decisions/0012): the salon is taken from the setting all the same.
CREATE FUNCTION find_clients(longest text, others text[], digits text, born date, after_name text, after_id uuid, most int)
RETURNS TABLE (id uuid) LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public, pg_temp SET plan_cache_mode = force_custom_plan AS $$
BEGIN
  RETURN QUERY
  SELECT c.id FROM client c
  WHERE
    c.salon_id = current_salon()
    AND c.merged_into IS NULL
    AND (longest = '' OR c.search LIKE longest)
    AND (others = '{}' OR c.search LIKE ALL (others))
    AND (digits = '' OR c.phone_digits LIKE '%' || digits || '%')
    AND (born IS NULL OR c.born_on = born)
    AND (after_id IS NULL OR (c.sort_name, c.id) > (after_name COLLATE "und-x-icu", after_id))
  ORDER BY c.sort_name, c.id
  LIMIT most;
END $$;

-- Who may be the same as somebody new: born on the day with a name like it, called the same, or to be called on the same number.
CREATE FUNCTION alike_clients(folded text, born date, digits text, most int)
RETURNS TABLE (id uuid) LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public, pg_temp SET plan_cache_mode = force_custom_plan AS $$
BEGIN
  RETURN QUERY
  SELECT c.id FROM client c
  WHERE
    c.salon_id = current_salon()
    AND c.merged_into IS NULL
    AND (
      (c.born_on = born AND similarity(c.search, folded) > 0.25)
      OR c.search LIKE replace(replace(replace(folded, '\', '\\'), '%', '\%'), '_', '\_') || '%'
      OR (length(digits) > 5 AND c.phone_digits LIKE '%' || right(digits, 7))
    )
  ORDER BY c.born_on = born DESC, similarity(c.search, folded) DESC, c.id
  LIMIT most;
END $$;
REVOKE EXECUTE ON FUNCTION
  merge_clients(uuid, uuid),
  find_clients(text, text[], text, date, text, uuid, int),
  alike_clients(text, date, text, int)
FROM PUBLIC;
