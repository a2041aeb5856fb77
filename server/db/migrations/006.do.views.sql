-- Rows as the application reads them: joined once, here, so that no query is put together from pieces.
-- Views read with the rights of whoever asks.
CREATE VIEW visit_detail WITH (security_invoker = true) AS
SELECT
  v.id,
  v.salon_id,
  v.client_id,
  c.name AS client_name,
  v.room_id,
  r.name AS room_name,
  v.practitioner_id,
  p.name AS practitioner_name,
  p.scope,
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
  JOIN protocol_version pv ON pv.id = v.protocol_version_id
  JOIN salon s ON s.id = v.salon_id;

CREATE VIEW batch_detail WITH (security_invoker = true) AS
SELECT
  b.id,
  p.salon_id,
  b.product_id AS "productId",
  b.lot,
  to_char(b.received_on, 'YYYY-MM-DD') AS "receivedOn",
  to_char(b.best_before, 'YYYY-MM-DD') AS "bestBefore",
  to_char(b.opened_on, 'YYYY-MM-DD') AS "openedOn",
  b.left_amount AS "left"
FROM
  batch b
  JOIN product p ON p.id = b.product_id;

CREATE VIEW run_event_detail WITH (security_invoker = true) AS
SELECT
  id,
  visit_id AS "visitId",
  device_id AS "deviceId",
  seq,
  wall_ms AS "wallMs",
  elapsed_ms AS "elapsedMs",
  body
FROM
  run_event;
