-- A word is looked for by its trigrams first, and what it finds is then put in order: walking the list in order until a page is full is slow where
-- everybody of a name stands at its end. One letter alone is found by walking: it finds many.
CREATE OR REPLACE FUNCTION find_clients(longest text, others text[], digits text, born date, after_name text, after_id uuid, most int)
RETURNS TABLE (id uuid) LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public, pg_temp SET plan_cache_mode = force_custom_plan AS $$
BEGIN
  IF length(longest) > 3 OR digits <> '' OR born IS NOT NULL THEN
    RETURN QUERY
    WITH hit AS MATERIALIZED (
      SELECT c.id, c.sort_name FROM client c
      WHERE
        c.salon_id = current_salon()
        AND c.merged_into IS NULL
        AND (
          longest = ''
          OR CASE
            -- Two letters have a trigram of their own only at the beginning of a word.
            WHEN longest ~ '^%[^%_\\]{2}%$' THEN c.search LIKE substr(longest, 2) OR c.search LIKE '% ' || substr(longest, 2)
            ELSE c.search LIKE longest
          END
        )
        AND (others = '{}' OR c.search LIKE ALL (others))
        AND (digits = '' OR c.phone_digits LIKE '%' || digits || '%')
        AND (born IS NULL OR c.born_on = born)
    )
    SELECT h.id FROM hit h
    WHERE after_id IS NULL OR (h.sort_name, h.id) > (after_name COLLATE "und-x-icu", after_id)
    ORDER BY h.sort_name, h.id
    LIMIT most;
    RETURN;
  END IF;
  RETURN QUERY
  SELECT c.id FROM client c
  WHERE
    c.salon_id = current_salon()
    AND c.merged_into IS NULL
    AND (longest = '' OR c.search LIKE longest)
    AND (others = '{}' OR c.search LIKE ALL (others))
    AND (after_id IS NULL OR (c.sort_name, c.id) > (after_name COLLATE "und-x-icu", after_id))
  ORDER BY c.sort_name, c.id
  LIMIT most;
END $$;
