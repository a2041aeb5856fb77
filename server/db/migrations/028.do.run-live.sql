-- Every tablet of a visit hears that its run went on, and by which tablet: it knows its own words already.
CREATE FUNCTION tell_run() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM pg_notify(
    'zen_live',
    NEW.salon_id || ' run_event ' || NEW.visit_id || ' ' || NEW.device_id
  );
  RETURN NULL;
END $$;
CREATE TRIGGER run_event_live AFTER INSERT ON run_event FOR EACH ROW EXECUTE FUNCTION tell_run();
