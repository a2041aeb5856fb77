-- A session that nobody has used for long is over; tries are counted before the password is looked at, and then told how they went.
ALTER TABLE session ADD COLUMN seen_at timestamptz NOT NULL DEFAULT now();
CREATE INDEX session_account ON session (account_id) WHERE ended_at IS NULL;
CREATE INDEX sign_in_attempt_address ON sign_in_attempt (address, at DESC);

-- Writing when it was last seen once a minute is enough.
CREATE OR REPLACE FUNCTION account_of_session(given uuid) RETURNS SETOF account LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  kept session%ROWTYPE;
BEGIN
  SELECT * INTO kept FROM session s
  WHERE s.id = given AND s.ended_at IS NULL AND s.expires_at > now() AND s.seen_at > now() - interval '6 hours';
  IF NOT FOUND THEN RETURN; END IF;
  IF kept.seen_at < now() - interval '1 minute' THEN UPDATE session SET seen_at = now() WHERE id = given; END IF;
  RETURN QUERY SELECT * FROM account WHERE id = kept.account_id;
END $$;
