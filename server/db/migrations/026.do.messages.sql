-- Whoever sends takes messages of every salon, each once at a time; one that does not go is tried again later, each time after twice as long.
CREATE FUNCTION claim_messages(most int) RETURNS SETOF message LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  RETURN QUERY
  UPDATE message m
  SET tries = m.tries + 1, next_try_at = now() + least(interval '1 hour', interval '1 minute' * power(2, m.tries))
  WHERE m.id IN (
    SELECT w.id FROM message w
    WHERE w.state = 'waits' AND w.next_try_at <= now()
    ORDER BY w.made_at
    LIMIT most
    FOR UPDATE SKIP LOCKED
  )
  RETURNING m.*;
END $$;
-- What became of one. A link that sets a password is not kept once it has gone out.
CREATE FUNCTION settle_message(given uuid, went boolean, said text, most_tries int) RETURNS void LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  UPDATE message
  SET
    state = CASE WHEN went THEN 'sent' WHEN tries >= most_tries THEN 'given-up' ELSE state END,
    sent_at = CASE WHEN went THEN now() END,
    trouble = CASE WHEN went THEN NULL ELSE said END,
    body = CASE WHEN went THEN regexp_replace(body, '/join/\S+', '/join/…') ELSE body END
  WHERE id = given AND state = 'waits';
END $$;
REVOKE EXECUTE ON FUNCTION claim_messages(int), settle_message(uuid, boolean, text, int) FROM PUBLIC;
