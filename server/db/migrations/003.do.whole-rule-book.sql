-- Finer zones, whole readings, and what Consult and Read skin keep: patch tests, consents, photographs, the salon's own settings.

-- Zones became finer; records keep their meaning: each old name becomes the zones it stood for, wherever zones are listed.
CREATE FUNCTION finer_zones(given jsonb) RETURNS jsonb LANGUAGE sql IMMUTABLE AS $$
  SELECT COALESCE(jsonb_agg(DISTINCT fine), '[]') FROM jsonb_array_elements_text(given) AS old(zone),
    LATERAL unnest(CASE zone
      WHEN 'nose' THEN ARRAY['nose-bridge', 'nose-side-left', 'nose-side-right']
      WHEN 'forehead' THEN ARRAY['forehead', 'glabella', 'temple-left', 'temple-right']
      WHEN 'cheek-left' THEN ARRAY['cheekbone-left', 'cheek-left', 'nasolabial-left', 'jaw-left']
      WHEN 'cheek-right' THEN ARRAY['cheekbone-right', 'cheek-right', 'nasolabial-right', 'jaw-right']
      WHEN 'chin' THEN ARRAY['chin', 'upper-lip']
      WHEN 'eye-contour' THEN ARRAY['brow-left', 'brow-right', 'upper-lid-left', 'upper-lid-right', 'under-eye-left', 'under-eye-right', 'crows-foot-left', 'crows-foot-right']
      WHEN 'neck' THEN ARRAY['under-chin', 'neck-front', 'neck-side-left', 'neck-side-right']
      WHEN 'ear' THEN ARRAY['ears']
      ELSE ARRAY[zone] END) AS fine
$$;
CREATE FUNCTION finer_zones_within(given jsonb) RETURNS jsonb LANGUAGE plpgsql IMMUTABLE AS $$
BEGIN
  IF jsonb_typeof(given) = 'array' THEN RETURN (SELECT COALESCE(jsonb_agg(finer_zones_within(item) ORDER BY at), '[]') FROM jsonb_array_elements(given) WITH ORDINALITY AS list(item, at)); END IF;
  IF jsonb_typeof(given) <> 'object' THEN RETURN given; END IF;
  RETURN (SELECT COALESCE(jsonb_object_agg(key, CASE WHEN key IN ('zones', 'blocks') AND jsonb_typeof(value) = 'array' THEN finer_zones(value) ELSE finer_zones_within(value) END), '{}') FROM jsonb_each(given));
END $$;

-- The one time that what is kept is written anew: its triggers rest for this statement and no longer.
ALTER TABLE protocol_version DISABLE TRIGGER USER;
UPDATE protocol_version SET steps = finer_zones_within(steps);
ALTER TABLE protocol_version ENABLE TRIGGER USER;
ALTER TABLE fitted_plan DISABLE TRIGGER USER;
UPDATE fitted_plan SET plan = finer_zones_within(plan) || jsonb_build_object('askAgain', '[]'::jsonb, 'advice', '[]'::jsonb, 'open', '[]'::jsonb, 'leastTotalS', plan -> 'totalS');
ALTER TABLE fitted_plan ENABLE TRIGGER USER;
ALTER TABLE health_fact DISABLE TRIGGER USER;
UPDATE health_fact SET zones = ARRAY(SELECT jsonb_array_elements_text(finer_zones(to_jsonb(zones)))) WHERE zones IS NOT NULL;
ALTER TABLE health_fact ENABLE TRIGGER USER;
UPDATE product SET body = finer_zones_within(body);
ALTER TABLE reading DISABLE TRIGGER USER;
ALTER TABLE reading ADD COLUMN body jsonb;
UPDATE reading SET body = jsonb_build_object('done', done, 'findings', finer_zones_within(findings), 'lesions', '[]'::jsonb, 'meters', '[]'::jsonb);
ALTER TABLE reading ALTER COLUMN body SET NOT NULL, DROP COLUMN findings, DROP COLUMN done;
ALTER TABLE reading ENABLE TRIGGER USER;
DROP FUNCTION finer_zones_within(jsonb);
DROP FUNCTION finer_zones(jsonb);

ALTER TABLE practitioner ADD COLUMN hazards text[] NOT NULL DEFAULT '{}';
ALTER TABLE clearance ADD COLUMN recorded_by uuid REFERENCES account, ADD COLUMN recorded_at timestamptz NOT NULL DEFAULT clock_timestamp();
ALTER TABLE visit ADD COLUMN walk_in boolean NOT NULL DEFAULT false;

CREATE TABLE patch_test (
  id uuid PRIMARY KEY, client_id uuid NOT NULL REFERENCES client, product_id text NOT NULL REFERENCES product, kind text NOT NULL CHECK (kind IN ('quick', 'delayed')), zone text NOT NULL,
  placed_on date NOT NULL, read_on date, result text NOT NULL DEFAULT 'waiting' CHECK (result IN ('waiting', 'calm', 'reacted')), note text,
  recorded_by uuid REFERENCES account, recorded_at timestamptz NOT NULL DEFAULT clock_timestamp(),
  CHECK ((result = 'waiting') = (read_on IS NULL)), CHECK (read_on >= placed_on)
);
CREATE INDEX patch_test_client ON patch_test (client_id, placed_on);

-- The exact words that are signed, by version; a signature points to its words for good.
CREATE TABLE consent_text (
  id uuid PRIMARY KEY, salon_id uuid NOT NULL REFERENCES salon, kind text NOT NULL CHECK (kind IN ('treatment', 'guardian', 'photo-record', 'photo-publish')), version int NOT NULL CHECK (version > 0),
  title text NOT NULL CHECK (title <> ''), body text NOT NULL CHECK (body <> ''), published_at timestamptz NOT NULL DEFAULT now(), UNIQUE (salon_id, kind, version)
);
CREATE TABLE consent (
  id uuid PRIMARY KEY, client_id uuid NOT NULL REFERENCES client, visit_id uuid REFERENCES visit, text_id uuid NOT NULL REFERENCES consent_text,
  signer text NOT NULL CHECK (signer <> ''), relation text NOT NULL CHECK (relation IN ('client', 'guardian')), signed_on date NOT NULL, signature text NOT NULL CHECK (signature LIKE '<svg%'),
  recorded_by uuid REFERENCES account, recorded_at timestamptz NOT NULL DEFAULT clock_timestamp(), withdrawn_on date
);
CREATE INDEX consent_client ON consent (client_id, signed_on);

CREATE TABLE photo (
  id uuid PRIMARY KEY, client_id uuid NOT NULL REFERENCES client, visit_id uuid NOT NULL REFERENCES visit, view text NOT NULL CHECK (view IN ('front', 'left', 'right', 'neck')), moment text NOT NULL CHECK (moment IN ('start', 'end')),
  light text NOT NULL DEFAULT '', taken_at timestamptz NOT NULL DEFAULT clock_timestamp(), width int NOT NULL CHECK (width > 0), height int NOT NULL CHECK (height > 0), bytes bytea NOT NULL, recorded_by uuid REFERENCES account
);
CREATE INDEX photo_client ON photo (client_id, taken_at);

CREATE TABLE rule_setting (
  salon_id uuid NOT NULL REFERENCES salon, rule_id text NOT NULL, advice_off boolean NOT NULL DEFAULT false, window_days int CHECK (window_days BETWEEN 0 AND 3660),
  set_by uuid REFERENCES account, set_at timestamptz NOT NULL DEFAULT clock_timestamp(), PRIMARY KEY (salon_id, rule_id), CHECK (advice_off OR window_days IS NOT NULL)
);
CREATE TABLE known_thing (
  salon_id uuid NOT NULL REFERENCES salon, id text NOT NULL, kind text NOT NULL CHECK (kind IN ('medicine', 'condition')), name text NOT NULL CHECK (name <> ''), synonyms text[] NOT NULL DEFAULT '{}', code text NOT NULL CHECK (code <> ''),
  position int NOT NULL, PRIMARY KEY (salon_id, id)
);

CREATE TRIGGER consent_text_immutable BEFORE UPDATE OR DELETE ON consent_text FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER photo_immutable BEFORE UPDATE OR DELETE ON photo FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER photo_of_open_visit BEFORE INSERT ON photo FOR EACH ROW EXECUTE FUNCTION refuse_part_of_locked_visit();
-- A signature stays as it was signed; it may be withdrawn, once.
CREATE FUNCTION refuse_consent_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'DELETE' OR OLD.withdrawn_on IS NOT NULL OR NEW.withdrawn_on IS NULL OR (to_jsonb(NEW) - 'withdrawn_on') <> (to_jsonb(OLD) - 'withdrawn_on') THEN
    RAISE EXCEPTION 'a consent is kept as it was signed; it can be withdrawn once' USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NEW;
END $$;
CREATE TRIGGER consent_kept BEFORE UPDATE OR DELETE ON consent FOR EACH ROW EXECUTE FUNCTION refuse_consent_change();
-- A patch test is read once.
CREATE FUNCTION refuse_second_patch_reading() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'DELETE' OR OLD.result <> 'waiting' THEN
    RAISE EXCEPTION 'a patch test that has been read is kept as it is; place another' USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NEW;
END $$;
CREATE TRIGGER patch_test_kept BEFORE UPDATE OR DELETE ON patch_test FOR EACH ROW EXECUTE FUNCTION refuse_second_patch_reading();
