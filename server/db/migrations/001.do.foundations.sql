CREATE EXTENSION IF NOT EXISTS btree_gist;
CREATE EXTENSION IF NOT EXISTS pg_trgm;

CREATE TABLE salon (
  id uuid PRIMARY KEY, name text NOT NULL CHECK (name <> ''), time_zone text NOT NULL, currency char(3) NOT NULL,
  emergency_number text NOT NULL, address text NOT NULL, turnover_minutes int NOT NULL CHECK (turnover_minutes BETWEEN 0 AND 60)
);
CREATE TABLE room (id uuid PRIMARY KEY, salon_id uuid NOT NULL REFERENCES salon, name text NOT NULL, UNIQUE (salon_id, name));
CREATE TABLE practitioner (
  id uuid PRIMARY KEY, salon_id uuid NOT NULL REFERENCES salon, name text NOT NULL CHECK (name <> ''),
  scope text[] NOT NULL DEFAULT '{}'
);
CREATE TABLE account (
  id uuid PRIMARY KEY, salon_id uuid NOT NULL REFERENCES salon, email text NOT NULL UNIQUE CHECK (email = lower(email)), name text NOT NULL,
  role text NOT NULL CHECK (role IN ('owner', 'practitioner', 'assistant', 'front_desk')),
  practitioner_id uuid REFERENCES practitioner, password_hash text NOT NULL, demo boolean NOT NULL DEFAULT false
);
CREATE TABLE session (
  id uuid PRIMARY KEY, account_id uuid NOT NULL REFERENCES account, created_at timestamptz NOT NULL DEFAULT now(),
  expires_at timestamptz NOT NULL, ended_at timestamptz
);
CREATE TABLE sign_in_attempt (
  id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY, email text NOT NULL, address text NOT NULL, at timestamptz NOT NULL DEFAULT now(), ok boolean NOT NULL
);
CREATE INDEX sign_in_attempt_recent ON sign_in_attempt (email, at DESC);
CREATE TABLE audit (
  id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY, at timestamptz NOT NULL DEFAULT now(), account_id uuid NOT NULL REFERENCES account,
  action text NOT NULL, subject_kind text NOT NULL, subject_id text NOT NULL, detail jsonb NOT NULL DEFAULT '{}'
);
CREATE INDEX audit_subject ON audit (subject_kind, subject_id, at DESC);

CREATE TABLE client (
  id uuid PRIMARY KEY, salon_id uuid NOT NULL REFERENCES salon, name text NOT NULL CHECK (name <> ''), born_on date NOT NULL,
  concerns text[] NOT NULL DEFAULT '{}', notes text[] NOT NULL DEFAULT '{}'
);
CREATE INDEX client_name_trgm ON client USING gin (name gin_trgm_ops);
CREATE TABLE health_fact (
  id uuid PRIMARY KEY, client_id uuid NOT NULL REFERENCES client, code text NOT NULL CHECK (code <> ''),
  answer text NOT NULL CHECK (answer IN ('yes', 'no', 'unknown')), asked_on date NOT NULL, happened_on date,
  zones text[], reaction text CHECK (reaction IN ('breathing', 'rash', 'dislike')), note text,
  recorded_at timestamptz NOT NULL DEFAULT now(), recorded_by uuid REFERENCES account
);
CREATE INDEX health_fact_client ON health_fact (client_id, recorded_at);
CREATE TABLE clearance (
  id uuid PRIMARY KEY, client_id uuid NOT NULL REFERENCES client, clearance text NOT NULL, given_by text NOT NULL CHECK (given_by <> ''),
  given_on date NOT NULL, until date CHECK (until >= given_on)
);
CREATE TABLE product (id text PRIMARY KEY, salon_id uuid NOT NULL REFERENCES salon, name text NOT NULL, kind text NOT NULL, position int NOT NULL, stock numeric NOT NULL CHECK (stock >= 0), body jsonb NOT NULL);
CREATE TABLE device (id text PRIMARY KEY, salon_id uuid NOT NULL REFERENCES salon, name text NOT NULL, position int NOT NULL, body jsonb NOT NULL);
CREATE TABLE product_memory (
  client_id uuid NOT NULL REFERENCES client, product_id text NOT NULL REFERENCES product, memory text NOT NULL CHECK (memory IN ('refused', 'reacted')),
  since date NOT NULL, note text, PRIMARY KEY (client_id, product_id, memory)
);

CREATE TABLE protocol (id text PRIMARY KEY, salon_id uuid NOT NULL REFERENCES salon, name text NOT NULL);
CREATE TABLE protocol_version (
  id text PRIMARY KEY, protocol_id text NOT NULL REFERENCES protocol, version int NOT NULL CHECK (version > 0), name text NOT NULL,
  note text NOT NULL, steps jsonb NOT NULL, published_at timestamptz NOT NULL DEFAULT now(), published_by uuid REFERENCES account,
  UNIQUE (protocol_id, version)
);

CREATE TABLE visit (
  id uuid PRIMARY KEY, salon_id uuid NOT NULL REFERENCES salon, client_id uuid NOT NULL REFERENCES client, room_id uuid NOT NULL REFERENCES room,
  practitioner_id uuid NOT NULL REFERENCES practitioner, protocol_version_id text NOT NULL REFERENCES protocol_version,
  starts_at timestamptz NOT NULL, ends_at timestamptz NOT NULL, room_until timestamptz NOT NULL,
  stage text NOT NULL DEFAULT 'booked' CHECK (stage IN ('booked', 'open', 'performing', 'closed')), locked_at timestamptz, locked_by uuid REFERENCES account,
  CHECK (ends_at > starts_at AND room_until >= ends_at), CHECK ((stage = 'closed') = (locked_at IS NOT NULL)),
  CONSTRAINT visit_room_free EXCLUDE USING gist (room_id WITH =, tstzrange(starts_at, room_until) WITH &&)
);
CREATE INDEX visit_day ON visit (salon_id, starts_at);
CREATE INDEX visit_client ON visit (client_id, starts_at);
CREATE TABLE practitioner_booking (
  visit_id uuid NOT NULL REFERENCES visit, practitioner_id uuid NOT NULL REFERENCES practitioner, starts_at timestamptz NOT NULL, ends_at timestamptz NOT NULL,
  PRIMARY KEY (visit_id, practitioner_id, starts_at), CHECK (ends_at > starts_at),
  CONSTRAINT practitioner_free EXCLUDE USING gist (practitioner_id WITH =, tstzrange(starts_at, ends_at) WITH &&)
);
CREATE TABLE reading (
  id uuid PRIMARY KEY, visit_id uuid NOT NULL REFERENCES visit, done boolean NOT NULL, findings jsonb NOT NULL,
  read_at timestamptz NOT NULL DEFAULT clock_timestamp(), read_by uuid REFERENCES account
);
CREATE INDEX reading_visit ON reading (visit_id, read_at DESC);
CREATE TABLE visit_override (
  id uuid PRIMARY KEY, visit_id uuid NOT NULL REFERENCES visit, rule_id text NOT NULL, step_id text NOT NULL, reason text NOT NULL CHECK (reason <> ''),
  by_name text NOT NULL, at timestamptz NOT NULL DEFAULT now(), withdrawn_at timestamptz
);
CREATE TABLE fitted_plan (
  id uuid PRIMARY KEY, visit_id uuid NOT NULL REFERENCES visit, revision int NOT NULL CHECK (revision > 0), engine text NOT NULL, rule_book text NOT NULL,
  plan jsonb NOT NULL, fitted_at timestamptz NOT NULL DEFAULT now(), fitted_by uuid REFERENCES account, UNIQUE (visit_id, revision)
);
CREATE TABLE tray_tick (visit_id uuid NOT NULL REFERENCES visit, item_id text NOT NULL, at timestamptz NOT NULL DEFAULT now(), PRIMARY KEY (visit_id, item_id));
CREATE TABLE run_event (
  id uuid PRIMARY KEY, visit_id uuid NOT NULL REFERENCES visit, device_id text NOT NULL, seq int NOT NULL CHECK (seq >= 0), wall_ms bigint NOT NULL,
  elapsed_ms double precision NOT NULL, body jsonb NOT NULL, received_at timestamptz NOT NULL DEFAULT clock_timestamp(), received_by uuid REFERENCES account,
  late boolean NOT NULL DEFAULT false
);
CREATE INDEX run_event_visit ON run_event (visit_id, wall_ms);
CREATE TABLE outcome (
  visit_id uuid PRIMARY KEY REFERENCES visit, answer jsonb, levers jsonb NOT NULL, note text NOT NULL, planned_s int NOT NULL, actual_s int,
  signed_at timestamptz NOT NULL DEFAULT now(), signed_by uuid REFERENCES account, signed_name text NOT NULL
);
CREATE TABLE check_in (
  id uuid PRIMARY KEY, visit_id uuid NOT NULL REFERENCES visit, asked_on date NOT NULL, answer jsonb NOT NULL, recorded_at timestamptz NOT NULL DEFAULT clock_timestamp(), recorded_by uuid REFERENCES account
);
