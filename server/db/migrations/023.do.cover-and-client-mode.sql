-- What a salon has chosen beyond its facts, stored whole and read by core/salon/choices.ts, which knows what is meant where nothing is said.
ALTER TABLE salon ADD COLUMN choices jsonb NOT NULL DEFAULT '{}';

-- A tablet in a client's hands: its session answers for that one visit, and for nothing else.
ALTER TABLE session ADD COLUMN handed_visit_id uuid;

-- A signature whose PIN nobody could check when it was given, and which was wrong on arrival. It stands; its owner confirms it by password.
CREATE TABLE signature_doubt (
  visit_id uuid PRIMARY KEY,
  salon_id uuid NOT NULL REFERENCES salon DEFAULT current_salon(),
  account_id uuid NOT NULL,
  reason text NOT NULL,
  arrived_at timestamptz NOT NULL DEFAULT now(),
  confirmed_at timestamptz,
  FOREIGN KEY (salon_id, visit_id) REFERENCES visit (salon_id, id),
  FOREIGN KEY (salon_id, account_id) REFERENCES account (salon_id, id)
);
ALTER TABLE signature_doubt ENABLE ROW LEVEL SECURITY;
CREATE POLICY own_salon ON signature_doubt USING (salon_id = current_salon()) WITH CHECK (salon_id = current_salon());
