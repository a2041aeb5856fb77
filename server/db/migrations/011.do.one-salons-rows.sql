-- Every row belongs to one salon, says so, and is seen by that salon alone. Foreign keys are checked past row-level security, so that they name the
-- salon too; what a catalogue calls its things by is theirs per salon.

CREATE FUNCTION current_salon() RETURNS uuid LANGUAGE sql STABLE PARALLEL SAFE AS $$
  SELECT nullif(current_setting('zen.salon', true), '')::uuid
$$;

-- What belongs to a salon by what it hangs on: table, what it hangs on, by which column.
CREATE TEMP TABLE hangs (child text, parent text, by_column text) ON COMMIT DROP;

INSERT INTO hangs
VALUES
  ('audit', 'account', 'account_id'),
  ('health_fact', 'client', 'client_id'),
  ('clearance', 'client', 'client_id'),
  ('product_memory', 'client', 'client_id'),
  ('patch_test', 'client', 'client_id'),
  ('consent', 'client', 'client_id'),
  ('photo', 'client', 'client_id'),
  ('protocol_version', 'protocol', 'protocol_id'),
  ('protocol_draft', 'protocol', 'protocol_id'),
  ('practitioner_booking', 'visit', 'visit_id'),
  ('reading', 'visit', 'visit_id'),
  ('visit_override', 'visit', 'visit_id'),
  ('fitted_plan', 'visit', 'visit_id'),
  ('tray_tick', 'visit', 'visit_id'),
  ('run_event', 'visit', 'visit_id'),
  ('outcome', 'visit', 'visit_id'),
  ('check_in', 'visit', 'visit_id'),
  ('visit_use', 'visit', 'visit_id'),
  ('batch', 'product', 'product_id'),
  ('stock_move', 'batch', 'batch_id'),
  ('shelf_import_row', 'shelf_import', 'import_id');

DO $$
DECLARE
  one record;
BEGIN
  FOR one IN SELECT * FROM hangs LOOP
    EXECUTE format('ALTER TABLE %I ADD COLUMN salon_id uuid REFERENCES salon', one.child);
    EXECUTE format('ALTER TABLE %I DISABLE TRIGGER USER', one.child);
    EXECUTE format(
      'UPDATE %I c SET salon_id = p.salon_id FROM %I p WHERE p.id = c.%I', one.child, one.parent, one.by_column
    );
    EXECUTE format('ALTER TABLE %I ENABLE TRIGGER USER', one.child);
    EXECUTE format('ALTER TABLE %I ALTER COLUMN salon_id SET NOT NULL, ALTER COLUMN salon_id SET DEFAULT current_salon()', one.child);
  END LOOP;
END $$;

-- Keys of one column become keys of salon and column, whatever they were called.
CREATE TEMP TABLE points ON COMMIT DROP AS
SELECT
  c.conname AS name,
  c.conrelid::regclass::text AS child,
  c.confrelid::regclass::text AS parent,
  a.attname AS by_column,
  c.confdeltype = 'c' AS cascades
FROM
  pg_constraint c
  JOIN pg_attribute a ON a.attrelid = c.conrelid AND a.attnum = c.conkey[1]
WHERE
  c.contype = 'f'
  AND c.connamespace = 'public'::regnamespace
  AND cardinality(c.conkey) = 1
  AND c.confrelid <> 'salon'::regclass
  AND c.conrelid <> 'session'::regclass;

DO $$
DECLARE
  one record;
BEGIN
  FOR one IN SELECT * FROM points LOOP
    EXECUTE format('ALTER TABLE %s DROP CONSTRAINT %I', one.child, one.name);
  END LOOP;
  FOR one IN SELECT unnest(ARRAY['product', 'device', 'protocol', 'protocol_version', 'batch']) AS name LOOP
    EXECUTE format('ALTER TABLE %I DROP CONSTRAINT %I, ADD PRIMARY KEY (salon_id, id)', one.name, one.name || '_pkey');
  END LOOP;
  FOR one IN SELECT DISTINCT parent AS name FROM points WHERE parent NOT IN ('product', 'device', 'protocol', 'protocol_version', 'batch') LOOP
    EXECUTE format('ALTER TABLE %s ADD UNIQUE (salon_id, id)', one.name);
  END LOOP;
  FOR one IN SELECT * FROM points LOOP
    EXECUTE format(
      'ALTER TABLE %s ADD CONSTRAINT %I FOREIGN KEY (salon_id, %I) REFERENCES %s (salon_id, id) %s',
      one.child, one.name, one.by_column, one.parent, CASE WHEN one.cascades THEN 'ON DELETE CASCADE' ELSE '' END
    );
  END LOOP;
END $$;

ALTER TABLE protocol_version DROP CONSTRAINT protocol_version_protocol_id_version_key;
ALTER TABLE protocol_version ADD CONSTRAINT protocol_version_protocol_id_version_key UNIQUE (salon_id, protocol_id, version);
ALTER TABLE protocol_draft DROP CONSTRAINT protocol_draft_pkey, ADD PRIMARY KEY (salon_id, protocol_id);
DROP INDEX batch_product;
CREATE INDEX batch_product ON batch (salon_id, product_id);
DROP INDEX stock_move_batch;
CREATE INDEX stock_move_batch ON stock_move (salon_id, batch_id, at);

-- Nobody sits in two rooms at once. Visits of before this day stay as they were written.
ALTER TABLE visit ADD CONSTRAINT client_free EXCLUDE USING gist (client_id WITH =, tstzrange(starts_at, ends_at) WITH &&)
  WHERE (starts_at >= '2026-11-28 00:00:00+00');

-- A visit's kit is its client's.
ALTER TABLE visit ADD UNIQUE (salon_id, id, client_id);
ALTER TABLE kit_opening ADD FOREIGN KEY (salon_id, visit_id, client_id) REFERENCES visit (salon_id, id, client_id);
ALTER TABLE photo ADD FOREIGN KEY (salon_id, visit_id, client_id) REFERENCES visit (salon_id, id, client_id);

DO $$
DECLARE
  one record;
BEGIN
  FOR one IN
    SELECT table_name::text AS name FROM information_schema.columns
    WHERE table_schema = 'public' AND column_name = 'salon_id' AND table_name NOT IN (SELECT table_name FROM information_schema.views WHERE table_schema = 'public')
  LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', one.name);
    EXECUTE format('CREATE POLICY own_salon ON %I USING (salon_id = current_salon()) WITH CHECK (salon_id = current_salon())', one.name);
  END LOOP;
END $$;
ALTER TABLE salon ENABLE ROW LEVEL SECURITY;
CREATE POLICY own_salon ON salon USING (id = current_salon()) WITH CHECK (id = current_salon());

-- Before anybody is signed in there is no salon: three questions that look over all of them, and no more.
CREATE FUNCTION account_by_email(given text) RETURNS SETOF account LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  RETURN QUERY SELECT * FROM account WHERE email = lower(given);
END $$;
CREATE FUNCTION account_of_session(given uuid) RETURNS SETOF account LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  RETURN QUERY SELECT a.* FROM session s JOIN account a ON a.id = s.account_id WHERE s.id = given AND s.ended_at IS NULL AND s.expires_at > now();
END $$;
CREATE FUNCTION demo_account() RETURNS SETOF account LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  RETURN QUERY SELECT * FROM account WHERE demo AND role = 'practitioner' ORDER BY email LIMIT 1;
END $$;
REVOKE EXECUTE ON FUNCTION account_by_email(text), account_of_session(uuid), demo_account() FROM PUBLIC;

CREATE OR REPLACE VIEW visit_detail WITH (security_invoker = true) AS
SELECT
  v.id,
  v.salon_id,
  v.client_id,
  c.name AS client_name,
  v.room_id,
  r.name AS room_name,
  v.practitioner_id,
  p.name AS practitioner_name,
  p.scope,
  p.hazards,
  v.walk_in,
  v.protocol_version_id,
  pv.name AS protocol_name,
  v.starts_at,
  v.ends_at,
  v.room_until,
  v.stage,
  v.locked_at,
  s.time_zone,
  v.fit,
  v.prep
FROM
  visit v
  JOIN client c ON c.id = v.client_id
  JOIN room r ON r.id = v.room_id
  JOIN practitioner p ON p.id = v.practitioner_id
  JOIN protocol_version pv ON pv.salon_id = v.salon_id AND pv.id = v.protocol_version_id
  JOIN salon s ON s.id = v.salon_id;

CREATE OR REPLACE VIEW batch_detail WITH (security_invoker = true) AS
SELECT
  b.id,
  b.salon_id,
  b.product_id AS "productId",
  b.lot,
  to_char(b.received_on, 'YYYY-MM-DD') AS "receivedOn",
  to_char(b.best_before, 'YYYY-MM-DD') AS "bestBefore",
  to_char(b.opened_on, 'YYYY-MM-DD') AS "openedOn",
  b.left_amount AS "left"
FROM
  batch b;
