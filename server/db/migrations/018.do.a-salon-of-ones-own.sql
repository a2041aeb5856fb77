-- Somebody who is not us begins: a code that works once, people who come and go, tablets, hours.

-- The code that `npm start` prints while there is no salon yet. Nobody who serves reads it.
CREATE TABLE set_up (
  only_row boolean PRIMARY KEY DEFAULT true CHECK (only_row),
  code text NOT NULL,
  used_at timestamptz
);

CREATE FUNCTION has_salon() RETURNS boolean LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  RETURN EXISTS (SELECT FROM salon);
END $$;

-- Makes the first salon, for whoever has the code; a second one who comes with it waits here and is told.
CREATE FUNCTION set_up_salon(given_code text, new_id uuid, new_name text, new_zone text, new_currency text)
RETURNS text LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  kept set_up%ROWTYPE;
BEGIN
  SELECT * INTO kept FROM set_up FOR UPDATE;
  IF kept.used_at IS NOT NULL OR EXISTS (SELECT FROM salon) THEN RETURN 'done'; END IF;
  IF kept.code IS DISTINCT FROM given_code THEN RETURN 'wrong'; END IF;
  UPDATE set_up SET used_at = now();
  INSERT INTO salon (id, name, time_zone, currency, emergency_number, address, turnover_minutes)
  VALUES (new_id, new_name, new_zone, new_currency, '', '', 10);
  RETURN 'made';
END $$;

ALTER TABLE salon
ADD COLUMN measures text NOT NULL DEFAULT 'metric' CHECK (measures IN ('metric', 'us'));

-- A room that is no longer used keeps its visits.
ALTER TABLE room ADD COLUMN closed_on date;

-- When the salon is open, on its own clock; a weekday (1 Monday to 7 Sunday) without a row is closed. No rows at all: not told, open.
CREATE TABLE opening (
  salon_id uuid NOT NULL REFERENCES salon DEFAULT current_salon(),
  weekday int NOT NULL CHECK (weekday BETWEEN 1 AND 7),
  opens time NOT NULL,
  closes time NOT NULL CHECK (closes > opens),
  PRIMARY KEY (salon_id, weekday, opens)
);
CREATE TABLE closed_day (
  salon_id uuid NOT NULL REFERENCES salon DEFAULT current_salon(),
  day date NOT NULL,
  reason text NOT NULL DEFAULT '',
  PRIMARY KEY (salon_id, day)
);

-- What a person may do beyond the basic licence: technique by technique, with the paper that says so and its end.
CREATE TABLE scope_entry (
  salon_id uuid NOT NULL REFERENCES salon DEFAULT current_salon(),
  practitioner_id uuid NOT NULL,
  technique text NOT NULL CHECK (technique <> ''),
  licence text NOT NULL DEFAULT '',
  until date,
  PRIMARY KEY (salon_id, practitioner_id, technique),
  FOREIGN KEY (salon_id, practitioner_id) REFERENCES practitioner (salon_id, id)
);
INSERT INTO scope_entry (salon_id, practitioner_id, technique)
SELECT salon_id, id, unnest(scope) FROM practitioner;

CREATE FUNCTION scope_on(given_salon uuid, given uuid, on_day date) RETURNS text[] LANGUAGE sql STABLE AS $$
  SELECT COALESCE(array_agg(technique ORDER BY technique), '{}')
  FROM scope_entry
  WHERE salon_id = given_salon AND practitioner_id = given AND (until IS NULL OR until >= on_day)
$$;

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
  scope_on(v.salon_id, v.practitioner_id, (v.starts_at AT TIME ZONE s.time_zone)::date) AS scope,
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

ALTER TABLE practitioner DROP COLUMN scope;
ALTER TABLE practitioner ADD COLUMN left_on date;

-- People: who was invited has no password yet, who was locked out or has left signs in no more; what they did keeps their name.
ALTER TABLE account
ADD COLUMN made_at timestamptz NOT NULL DEFAULT now(),
ADD COLUMN locked_at timestamptz,
ADD COLUMN left_at timestamptz,
ADD COLUMN totp_secret text,
ADD COLUMN totp_on_at timestamptz,
ADD COLUMN totp_step bigint NOT NULL DEFAULT 0,
ADD COLUMN recovery_hashes text[] NOT NULL DEFAULT '{}',
ADD COLUMN pin_hash text,
ADD COLUMN pin_failures int NOT NULL DEFAULT 0;

-- A link that sets a password: to begin with, or anew. It works once, and its token is kept nowhere.
CREATE TABLE account_link (
  id uuid PRIMARY KEY,
  salon_id uuid NOT NULL REFERENCES salon DEFAULT current_salon(),
  account_id uuid NOT NULL,
  purpose text NOT NULL CHECK (purpose IN ('invite', 'reset')),
  token_hash text NOT NULL UNIQUE,
  made_at timestamptz NOT NULL DEFAULT now(),
  made_by uuid NOT NULL,
  until timestamptz NOT NULL,
  used_at timestamptz,
  FOREIGN KEY (salon_id, account_id) REFERENCES account (salon_id, id),
  FOREIGN KEY (salon_id, made_by) REFERENCES account (salon_id, id)
);
CREATE INDEX account_link_account ON account_link (salon_id, account_id);

-- A tablet of the salon: who works on it is a name and a PIN.
CREATE TABLE tablet (
  id uuid PRIMARY KEY,
  salon_id uuid NOT NULL REFERENCES salon DEFAULT current_salon(),
  name text NOT NULL CHECK (name <> ''),
  room_id uuid,
  token_hash text NOT NULL UNIQUE,
  enrolled_at timestamptz NOT NULL DEFAULT now(),
  enrolled_by uuid NOT NULL,
  seen_at timestamptz NOT NULL DEFAULT now(),
  revoked_at timestamptz,
  UNIQUE (salon_id, id),
  FOREIGN KEY (salon_id, room_id) REFERENCES room (salon_id, id),
  FOREIGN KEY (salon_id, enrolled_by) REFERENCES account (salon_id, id)
);
ALTER TABLE session
ADD COLUMN tablet_id uuid REFERENCES tablet,
ADD COLUMN agent text NOT NULL DEFAULT '',
ADD COLUMN way text NOT NULL DEFAULT 'password' CHECK (way IN ('password', 'pin', 'demo', 'link'));

DO $$
DECLARE
  name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['opening', 'closed_day', 'scope_entry', 'account_link', 'tablet'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_salon ON %I USING (salon_id = current_salon()) WITH CHECK (salon_id = current_salon())', name);
  END LOOP;
END $$;

-- Who may not sign in any more has no session either.
CREATE OR REPLACE FUNCTION account_of_session(given uuid) RETURNS SETOF account LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  kept session%ROWTYPE;
BEGIN
  SELECT * INTO kept FROM session s
  WHERE s.id = given AND s.ended_at IS NULL AND s.expires_at > now() AND s.seen_at > now() - interval '6 hours';
  IF NOT FOUND THEN RETURN; END IF;
  IF kept.seen_at < now() - interval '1 minute' THEN
    UPDATE session SET seen_at = now() WHERE id = given;
    UPDATE tablet SET seen_at = now() WHERE id = kept.tablet_id;
  END IF;
  RETURN QUERY SELECT * FROM account WHERE id = kept.account_id AND locked_at IS NULL AND left_at IS NULL;
END $$;

CREATE OR REPLACE FUNCTION account_by_email(given text) RETURNS SETOF account LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  RETURN QUERY SELECT * FROM account WHERE email = lower(given) AND locked_at IS NULL AND left_at IS NULL;
END $$;

-- Before anybody is signed in: a link by what it hashes to, and a tablet by what it holds.
CREATE FUNCTION link_by_token(given_hash text) RETURNS SETOF account_link LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  RETURN QUERY SELECT * FROM account_link WHERE token_hash = given_hash;
END $$;
CREATE FUNCTION tablet_by_token(given_hash text) RETURNS SETOF tablet LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  RETURN QUERY SELECT * FROM tablet WHERE token_hash = given_hash;
END $$;
REVOKE EXECUTE ON FUNCTION has_salon(), set_up_salon(text, uuid, text, text, text), link_by_token(text), tablet_by_token(text) FROM PUBLIC;
