-- The shelf by batch, what visits used of it, supplies, kits, prices, and what is decided while a tray is laid.
CREATE TABLE batch (
  id text PRIMARY KEY, product_id text NOT NULL REFERENCES product, lot text NOT NULL DEFAULT '', received_on date NOT NULL, best_before date, opened_on date,
  left_amount numeric(12, 3) NOT NULL CHECK (left_amount >= 0)
);
CREATE INDEX batch_product ON batch (product_id);
INSERT INTO batch (id, product_id, lot, received_on, best_before, opened_on, left_amount)
  SELECT id || '-stock', id, '', COALESCE((body->>'openedOn')::date, current_date), (body->>'bestBefore')::date, (body->>'openedOn')::date, stock FROM product WHERE stock > 0;
UPDATE product SET body = body - 'openedOn' - 'bestBefore' - 'stock';
ALTER TABLE product DROP COLUMN stock;
ALTER TABLE product ADD COLUMN archived_at timestamptz, ADD COLUMN changed_at timestamptz NOT NULL DEFAULT clock_timestamp();
CREATE INDEX product_shelf ON product (salon_id, kind, position);

-- Every change of a batch's amount, with its reason: what is left is never just overwritten.
CREATE TABLE stock_move (
  id uuid PRIMARY KEY, batch_id text NOT NULL REFERENCES batch, visit_id uuid REFERENCES visit, amount numeric(12, 3) NOT NULL, reason text NOT NULL CHECK (reason IN ('visit', 'count', 'received', 'discarded', 'imported')),
  at timestamptz NOT NULL DEFAULT clock_timestamp(), by uuid REFERENCES account
);
CREATE INDEX stock_move_batch ON stock_move (batch_id, at);
CREATE TRIGGER stock_move_immutable BEFORE UPDATE OR DELETE ON stock_move FOR EACH ROW EXECUTE FUNCTION refuse_change();

-- What a visit used, with its lot: part of its record.
CREATE TABLE visit_use (
  visit_id uuid NOT NULL REFERENCES visit, product_id text NOT NULL REFERENCES product, lot text NOT NULL, amount numeric(12, 3) NOT NULL CHECK (amount > 0), unit text NOT NULL CHECK (unit IN ('g', 'mL')),
  PRIMARY KEY (visit_id, product_id, lot)
);
CREATE TRIGGER visit_use_immutable BEFORE UPDATE OR DELETE ON visit_use FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER visit_use_of_open_visit BEFORE INSERT ON visit_use FOR EACH ROW EXECUTE FUNCTION refuse_part_of_locked_visit();

CREATE TABLE supply (salon_id uuid NOT NULL REFERENCES salon, id text NOT NULL, name text NOT NULL CHECK (name <> ''), position int NOT NULL, body jsonb NOT NULL, PRIMARY KEY (salon_id, id));
CREATE TABLE kit (salon_id uuid NOT NULL REFERENCES salon, id text NOT NULL, name text NOT NULL CHECK (name <> ''), position int NOT NULL, body jsonb NOT NULL, PRIMARY KEY (salon_id, id));
-- A kit opened for a client in a visit; what is left of it is theirs, for at home.
CREATE TABLE kit_opening (
  id uuid PRIMARY KEY, salon_id uuid NOT NULL, kit_id text NOT NULL, client_id uuid NOT NULL REFERENCES client, visit_id uuid NOT NULL REFERENCES visit, rest jsonb NOT NULL, opened_at timestamptz NOT NULL DEFAULT clock_timestamp(), opened_by uuid REFERENCES account,
  FOREIGN KEY (salon_id, kit_id) REFERENCES kit, UNIQUE (visit_id, kit_id)
);
CREATE TRIGGER kit_opening_of_open_visit BEFORE INSERT ON kit_opening FOR EACH ROW EXECUTE FUNCTION refuse_part_of_locked_visit();

CREATE TABLE price (
  salon_id uuid NOT NULL REFERENCES salon, kind text NOT NULL CHECK (kind IN ('protocol', 'add-on')), ref text NOT NULL, price_minor int CHECK (price_minor >= 0), going_minor int CHECK (going_minor >= 0), PRIMARY KEY (salon_id, kind, ref)
);
ALTER TABLE salon ADD COLUMN practitioner_hour_minor int NOT NULL DEFAULT 0 CHECK (practitioner_hour_minor >= 0), ADD COLUMN room_hour_minor int NOT NULL DEFAULT 0 CHECK (room_hour_minor >= 0), ADD COLUMN margin_percent int NOT NULL DEFAULT 30 CHECK (margin_percent BETWEEN 0 AND 95);
ALTER TABLE visit ADD COLUMN prep jsonb;

-- Rows of a file on their way in: nothing is on the shelf before all of them are.
CREATE TABLE shelf_import (id uuid PRIMARY KEY, salon_id uuid NOT NULL REFERENCES salon, started_at timestamptz NOT NULL DEFAULT now(), by uuid REFERENCES account);
CREATE TABLE shelf_import_row (import_id uuid NOT NULL REFERENCES shelf_import ON DELETE CASCADE, at int NOT NULL CHECK (at >= 0), body jsonb NOT NULL, PRIMARY KEY (import_id, at));
