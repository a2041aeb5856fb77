-- A card's own rhythm: so many visits, days apart at least and at most, and the card that follows.
ALTER TABLE protocol_version ADD COLUMN course jsonb;
ALTER TABLE protocol_draft ADD COLUMN course jsonb;

-- What a visit worked with, as properties of what was done: for the days between. Signed visits get it from the plan they were performed by.
ALTER TABLE outcome ADD COLUMN work jsonb NOT NULL DEFAULT '[]';

ALTER TABLE outcome DISABLE TRIGGER USER;

UPDATE outcome o
SET
  work = (
    SELECT COALESCE(jsonb_agg(DISTINCT property), '[]')
    FROM (
      SELECT plan -> 'steps' AS steps
      FROM fitted_plan f
      WHERE f.visit_id = o.visit_id
      ORDER BY f.revision DESC
      LIMIT 1
    ) AS last,
    jsonb_array_elements(last.steps) AS step,
    LATERAL (
      SELECT jsonb_array_elements_text(step -> 'properties')
      UNION ALL
      SELECT jsonb_array_elements_text(d.body -> 'properties')
      FROM device d
      WHERE d.id = step ->> 'deviceId'
      UNION ALL
      SELECT jsonb_array_elements_text(p.body -> 'properties')
      FROM product p
      WHERE p.id IN (
        SELECT step -> 'product' ->> 'productId'
        UNION ALL
        SELECT part -> 'product' ->> 'productId'
        FROM jsonb_array_elements(step -> 'segments') AS part
        UNION ALL
        SELECT part ->> 'productId'
        FROM product mix, jsonb_array_elements(mix.body -> 'recipe' -> 'parts') AS part
        WHERE mix.id = step -> 'product' ->> 'productId'
      )
    ) AS done (property)
  );

ALTER TABLE outcome ENABLE TRIGGER USER;
