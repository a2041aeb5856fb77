-- A visit may be called off, or nobody may come: it stays in the record, and frees its room and its people.
ALTER TABLE visit DROP CONSTRAINT visit_stage_check;
ALTER TABLE visit ADD CONSTRAINT visit_stage_check CHECK (stage IN ('booked', 'open', 'performing', 'closed', 'called-off'));
ALTER TABLE visit
ADD COLUMN called_off_at timestamptz,
ADD COLUMN called_off_by uuid,
ADD COLUMN called_off_reason text,
ADD COLUMN no_show boolean NOT NULL DEFAULT false,
ADD CHECK ((stage = 'called-off') = (called_off_at IS NOT NULL)),
ADD FOREIGN KEY (salon_id, called_off_by) REFERENCES account (salon_id, id);

ALTER TABLE visit DROP CONSTRAINT visit_room_free;
ALTER TABLE visit ADD CONSTRAINT visit_room_free EXCLUDE USING gist (room_id WITH =, tstzrange(starts_at, room_until) WITH &&)
  WHERE (stage <> 'called-off');
ALTER TABLE visit DROP CONSTRAINT client_free;
ALTER TABLE visit ADD CONSTRAINT client_free EXCLUDE USING gist (client_id WITH =, tstzrange(starts_at, ends_at) WITH &&)
  WHERE (starts_at >= '2026-11-28 00:00:00+00' AND stage <> 'called-off');
CREATE INDEX visit_room ON visit (room_id, starts_at);
CREATE INDEX practitioner_booking_day ON practitioner_booking (practitioner_id, starts_at);

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
  v.prep,
  pv.protocol_id
FROM
  visit v
  JOIN client c ON c.id = v.client_id
  JOIN room r ON r.id = v.room_id
  JOIN practitioner p ON p.id = v.practitioner_id
  JOIN protocol_version pv ON pv.salon_id = v.salon_id AND pv.id = v.protocol_version_id
  JOIN salon s ON s.id = v.salon_id;
