-- What has served its time goes: sessions a month after they ended, tries to sign in after a month, rows of a file that never came whole after a day.
CREATE FUNCTION sweep() RETURNS void LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  DELETE FROM session WHERE least(expires_at, COALESCE(ended_at, expires_at)) < now() - interval '30 days';
  DELETE FROM sign_in_attempt WHERE at < now() - interval '30 days';
  DELETE FROM shelf_import WHERE started_at < now() - interval '1 day';
END $$;
REVOKE EXECUTE ON FUNCTION sweep() FROM PUBLIC;
