-- Protocols that are still being written, put away, or written by methods; and how a visit is to be fitted to its slot.
ALTER TABLE protocol ADD COLUMN archived_at timestamptz;
ALTER TABLE protocol_version ADD COLUMN methods jsonb NOT NULL DEFAULT '{}';
ALTER TABLE visit ADD COLUMN fit jsonb;

-- One draft per protocol; the newest save wins, and says whose it was.
CREATE TABLE protocol_draft (
  protocol_id text PRIMARY KEY REFERENCES protocol, based_on int NOT NULL CHECK (based_on >= 0), name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
  steps jsonb NOT NULL, methods jsonb NOT NULL DEFAULT '{}', saved_at timestamptz NOT NULL DEFAULT now(), saved_by uuid REFERENCES account
);
