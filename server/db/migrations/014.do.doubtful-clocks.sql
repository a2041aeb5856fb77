-- An event is never lost for its time. Where the device's clock said something impossible, that is kept beside the time it was reckoned to have.
ALTER TABLE run_event
ADD COLUMN clock_said_ms bigint,
ADD COLUMN clock_doubtful boolean NOT NULL GENERATED ALWAYS AS (clock_said_ms IS NOT NULL) STORED;

CREATE OR REPLACE VIEW run_event_detail WITH (security_invoker = true) AS
SELECT
  id,
  visit_id AS "visitId",
  device_id AS "deviceId",
  seq,
  wall_ms AS "wallMs",
  elapsed_ms AS "elapsedMs",
  body,
  clock_said_ms AS "clockSaidMs"
FROM
  run_event;
