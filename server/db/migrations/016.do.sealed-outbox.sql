-- What a tablet could not send before its session ended comes sealed. What cannot be taken in by itself waits for the owner.
ALTER TABLE session
ADD COLUMN revoked_at timestamptz;

CREATE TABLE waiting_change (
  id uuid PRIMARY KEY,
  salon_id uuid NOT NULL REFERENCES salon DEFAULT current_salon(),
  account_id uuid NOT NULL,
  made_at timestamptz NOT NULL,
  received_at timestamptz NOT NULL DEFAULT now(),
  method text NOT NULL,
  path text NOT NULL,
  body jsonb NOT NULL,
  reason text NOT NULL,
  decided_at timestamptz,
  decided_by uuid,
  taken boolean,
  FOREIGN KEY (salon_id, account_id) REFERENCES account (salon_id, id),
  FOREIGN KEY (salon_id, decided_by) REFERENCES account (salon_id, id)
);

ALTER TABLE waiting_change ENABLE ROW LEVEL SECURITY;
CREATE POLICY own_salon ON waiting_change USING (salon_id = current_salon()) WITH CHECK (salon_id = current_salon());
CREATE INDEX waiting_change_open ON waiting_change (salon_id, received_at) WHERE decided_at IS NULL;

-- Whose a session was, also one that has ended: when that was, and whether somebody called it off.
CREATE FUNCTION account_of_past_session(given uuid) RETURNS TABLE (account_id uuid, ended_at timestamptz, revoked boolean)
LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  RETURN QUERY SELECT s.account_id, least(COALESCE(s.ended_at, 'infinity'), s.expires_at, s.seen_at + interval '6 hours'), s.revoked_at IS NOT NULL
  FROM session s WHERE s.id = given;
END $$;
CREATE FUNCTION account_by_id(given uuid) RETURNS SETOF account LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  RETURN QUERY SELECT * FROM account WHERE id = given;
END $$;
REVOKE EXECUTE ON FUNCTION account_of_past_session(uuid), account_by_id(uuid) FROM PUBLIC;
