-- The log is sealed by hash, salon by salon and every minute: what was changed, taken out or put in afterwards shows. Rows are written unchained; a
-- chain row by row would make every reading wait for every other.
ALTER TABLE audit
ADD COLUMN tx xid8 NOT NULL DEFAULT pg_current_xact_id();

CREATE TABLE audit_seal (
  id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  salon_id uuid NOT NULL REFERENCES salon DEFAULT current_salon(),
  at timestamptz NOT NULL DEFAULT now(),
  prev bytea NOT NULL,
  -- The rows it seals, by their ids in order.
  rows bigint[] NOT NULL CHECK (cardinality(rows) > 0),
  to_tx xid8 NOT NULL,
  hash bytea NOT NULL,
  UNIQUE (salon_id, prev)
);

ALTER TABLE audit_seal ENABLE ROW LEVEL SECURITY;
CREATE POLICY own_salon ON audit_seal USING (salon_id = current_salon()) WITH CHECK (salon_id = current_salon());
CREATE TRIGGER audit_seal_immutable BEFORE UPDATE OR DELETE ON audit_seal FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE INDEX audit_seal_newest ON audit_seal (salon_id, id DESC);
CREATE INDEX audit_tx ON audit (salon_id, tx);

-- A row of the log as it is sealed: everything that it says, in a form that is read in one way only.
CREATE FUNCTION audit_line(given audit) RETURNS text LANGUAGE sql IMMUTABLE AS $$
  SELECT jsonb_build_array(
    given.id, extract(epoch FROM given.at), given.salon_id, given.account_id, given.action, given.subject_kind, given.subject_id, given.detail
  )::text
$$;

-- Seals what no running transaction can add to any more: one seal for each salon with new rows. Gives how many. Another one at work: none.
CREATE FUNCTION seal_audit() RETURNS int LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  horizon constant xid8 := pg_snapshot_xmin(pg_current_snapshot());
  sealed int := 0;
  last record;
  house uuid;
  elsewhere boolean;
  to_id bigint;
  fresh bigint[];
  text_of_rows text;
BEGIN
  IF NOT pg_try_advisory_xact_lock(hashtext('zen-ladder'), hashtext('seal')) THEN
    RETURN 0;
  END IF;
  FOR house IN SELECT s.id FROM salon s LOOP
    SELECT s.hash, s.to_tx INTO last FROM audit_seal s WHERE s.salon_id = house ORDER BY s.id DESC LIMIT 1;
    -- A restored log goes on in another cluster, whose transactions count anew: there a row is new by its id, and what had no seal yet gets one.
    elsewhere := COALESCE(horizon < last.to_tx, false);
    IF elsewhere THEN
      SELECT max(m) INTO to_id FROM audit_seal s, unnest(s.rows) AS m WHERE s.salon_id = house;
    END IF;
    SELECT array_agg(a.id ORDER BY a.id), string_agg(audit_line(a), E'\n' ORDER BY a.id) INTO fresh, text_of_rows
    FROM audit a
    WHERE a.salon_id = house
      AND CASE
        WHEN elsewhere THEN a.tx >= last.to_tx OR (a.tx < horizon AND a.id > to_id)
        ELSE a.tx < horizon AND (last.hash IS NULL OR a.tx >= last.to_tx)
      END;
    CONTINUE WHEN fresh IS NULL;
    INSERT INTO audit_seal (salon_id, prev, rows, to_tx, hash)
    VALUES (
      house,
      COALESCE(last.hash, ''::bytea),
      fresh,
      horizon,
      sha256(COALESCE(last.hash, ''::bytea) || convert_to(text_of_rows, 'UTF8'))
    );
    sealed := sealed + 1;
  END LOOP;
  RETURN sealed;
END $$;
REVOKE EXECUTE ON FUNCTION seal_audit() FROM PUBLIC;
