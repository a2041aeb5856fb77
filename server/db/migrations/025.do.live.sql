-- Every screen of a salon hears that something of a visit has changed: which, and nothing more.
CREATE FUNCTION tell_live() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  which jsonb := to_jsonb(COALESCE(NEW, OLD));
BEGIN
  PERFORM pg_notify(
    'zen_live',
    (which ->> 'salon_id') || ' ' || TG_TABLE_NAME || ' ' || COALESCE(which ->> 'visit_id', which ->> 'id')
  );
  RETURN NULL;
END $$;
CREATE TRIGGER visit_live AFTER INSERT OR UPDATE ON visit FOR EACH ROW EXECUTE FUNCTION tell_live();
CREATE TRIGGER fitted_plan_live AFTER INSERT ON fitted_plan FOR EACH ROW EXECUTE FUNCTION tell_live();
CREATE TRIGGER consent_live AFTER INSERT OR UPDATE ON consent FOR EACH ROW EXECUTE FUNCTION tell_live();
CREATE TRIGGER patch_test_live AFTER INSERT OR UPDATE ON patch_test FOR EACH ROW EXECUTE FUNCTION tell_live();
CREATE TRIGGER check_in_live AFTER INSERT ON check_in FOR EACH ROW EXECUTE FUNCTION tell_live();
CREATE TRIGGER signature_doubt_live AFTER INSERT OR UPDATE ON signature_doubt FOR EACH ROW EXECUTE FUNCTION tell_live();
