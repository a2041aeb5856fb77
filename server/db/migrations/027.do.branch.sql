-- A branch: another salon of the same house. Who works in several has an account in each, with a role of its own, and one way in: the home account's.
ALTER TABLE account ADD COLUMN home_id uuid REFERENCES account;
ALTER TABLE account DROP CONSTRAINT account_email_key;
CREATE UNIQUE INDEX account_email_home ON account (email) WHERE home_id IS NULL;
CREATE UNIQUE INDEX account_email_salon ON account (salon_id, email);
CREATE UNIQUE INDEX account_home_salon ON account (home_id, salon_id) WHERE home_id IS NOT NULL;

-- Whoever owns a branch cannot set the way in of somebody whose home is elsewhere: whatever is written, the home's stands.
CREATE FUNCTION take_way_in() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  home account%ROWTYPE;
BEGIN
  SELECT * INTO home FROM account WHERE id = NEW.home_id AND home_id IS NULL;
  IF NOT FOUND THEN RAISE 'account % has no home %', NEW.id, NEW.home_id USING ERRCODE = 'foreign_key_violation'; END IF;
  NEW.email := home.email;
  NEW.password_hash := home.password_hash;
  NEW.totp_secret := home.totp_secret;
  NEW.totp_on_at := home.totp_on_at;
  NEW.recovery_hashes := '{}';
  RETURN NEW;
END $$;
CREATE TRIGGER account_takes_way_in BEFORE INSERT OR UPDATE ON account
FOR EACH ROW WHEN (NEW.home_id IS NOT NULL) EXECUTE FUNCTION take_way_in();

CREATE FUNCTION give_way_in() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  UPDATE account SET home_id = home_id WHERE home_id = NEW.id;
  -- A new password calls off what is open with the old one, in the branches as at home.
  IF NEW.password_hash <> OLD.password_hash THEN
    UPDATE session SET ended_at = now(), revoked_at = now()
    WHERE ended_at IS NULL AND account_id IN (SELECT id FROM account WHERE home_id = NEW.id);
  END IF;
  RETURN NULL;
END $$;
CREATE TRIGGER account_gives_way_in AFTER UPDATE OF email, password_hash, totp_secret, totp_on_at ON account
FOR EACH ROW WHEN (NEW.home_id IS NULL) EXECUTE FUNCTION give_way_in();

-- Who may not sign in at home any more, but works in a branch still, comes in there.
CREATE OR REPLACE FUNCTION account_by_email(given text) RETURNS SETOF account LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  RETURN QUERY SELECT * FROM account WHERE email = lower(given) AND locked_at IS NULL AND left_at IS NULL
  ORDER BY home_id IS NOT NULL, made_at, id LIMIT 1;
END $$;

-- Every salon in which the person of an account works, and may sign in.
CREATE FUNCTION salons_of(given uuid) RETURNS TABLE (account_id uuid, salon_id uuid, name text, role text)
LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  RETURN QUERY
  SELECT a.id, a.salon_id, s.name, a.role
  FROM account a JOIN salon s ON s.id = a.salon_id
  WHERE COALESCE(a.home_id, a.id) = (SELECT COALESCE(o.home_id, o.id) FROM account o WHERE o.id = given)
    AND a.locked_at IS NULL AND a.left_at IS NULL
  ORDER BY a.made_at, a.id;
END $$;

-- Who works in another salon that the person of this account owns, and not yet in the account's own.
CREATE FUNCTION people_elsewhere(given uuid) RETURNS TABLE (home_id uuid, name text, email text, salon text)
LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  mine account%ROWTYPE;
BEGIN
  SELECT * INTO mine FROM account WHERE id = given AND account.role = 'owner' AND locked_at IS NULL AND left_at IS NULL;
  IF NOT FOUND THEN RETURN; END IF;
  RETURN QUERY
  SELECT DISTINCT ON (COALESCE(a.home_id, a.id)) COALESCE(a.home_id, a.id), a.name, a.email, s.name
  FROM account a JOIN salon s ON s.id = a.salon_id
  WHERE a.salon_id IN (SELECT o.salon_id FROM salons_of(given) o WHERE o.role = 'owner' AND o.salon_id <> mine.salon_id)
    AND a.locked_at IS NULL AND a.left_at IS NULL AND a.password_hash <> ''
    AND NOT EXISTS (
      SELECT FROM account h WHERE h.salon_id = mine.salon_id AND COALESCE(h.home_id, h.id) = COALESCE(a.home_id, a.id)
    )
  ORDER BY COALESCE(a.home_id, a.id), a.made_at;
END $$;

-- An owner opens a branch; false where whoever asks is none.
CREATE FUNCTION add_branch(given uuid, new_id uuid, new_name text, new_zone text, new_currency text) RETURNS boolean
LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  IF NOT EXISTS (SELECT FROM account WHERE id = given AND role = 'owner' AND locked_at IS NULL AND left_at IS NULL) THEN RETURN false; END IF;
  INSERT INTO salon (id, name, time_zone, currency, emergency_number, address, turnover_minutes)
  VALUES (new_id, new_name, new_zone, new_currency, '', '', 10);
  RETURN true;
END $$;
REVOKE EXECUTE ON FUNCTION salons_of(uuid), people_elsewhere(uuid), add_branch(uuid, uuid, text, text, text), take_way_in(), give_way_in() FROM PUBLIC;
