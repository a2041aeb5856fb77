-- What has been published, fitted, performed or signed does not change: corrections are appended.

CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION '% is kept as it was written; append a new row instead', TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
END $$;

CREATE TRIGGER protocol_version_immutable BEFORE UPDATE OR DELETE ON protocol_version FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER fitted_plan_immutable BEFORE UPDATE OR DELETE ON fitted_plan FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER run_event_immutable BEFORE UPDATE OR DELETE ON run_event FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER outcome_immutable BEFORE UPDATE OR DELETE ON outcome FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER health_fact_immutable BEFORE UPDATE OR DELETE ON health_fact FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER reading_immutable BEFORE UPDATE OR DELETE ON reading FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER check_in_immutable BEFORE UPDATE OR DELETE ON check_in FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER audit_immutable BEFORE UPDATE OR DELETE ON audit FOR EACH ROW EXECUTE FUNCTION refuse_change();

CREATE FUNCTION refuse_locked_visit() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF OLD.locked_at IS NOT NULL THEN
    RAISE EXCEPTION 'visit % is signed and locked', OLD.id USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN COALESCE(NEW, OLD);
END $$;
CREATE TRIGGER visit_locked BEFORE UPDATE OR DELETE ON visit FOR EACH ROW EXECUTE FUNCTION refuse_locked_visit();

-- Parts of a visit cannot join it after it is signed. The row lock makes signing and writing wait for each other.
CREATE FUNCTION refuse_part_of_locked_visit() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM 1 FROM visit WHERE id = NEW.visit_id AND locked_at IS NULL FOR SHARE;
  IF NOT FOUND THEN
    RAISE EXCEPTION 'visit % is signed and locked', NEW.visit_id USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NEW;
END $$;
CREATE TRIGGER reading_of_open_visit BEFORE INSERT ON reading FOR EACH ROW EXECUTE FUNCTION refuse_part_of_locked_visit();
CREATE TRIGGER plan_of_open_visit BEFORE INSERT ON fitted_plan FOR EACH ROW EXECUTE FUNCTION refuse_part_of_locked_visit();
CREATE TRIGGER override_of_open_visit BEFORE INSERT OR UPDATE ON visit_override FOR EACH ROW EXECUTE FUNCTION refuse_part_of_locked_visit();
CREATE TRIGGER tick_of_open_visit BEFORE INSERT ON tray_tick FOR EACH ROW EXECUTE FUNCTION refuse_part_of_locked_visit();

-- A run event that arrives after signing is a late appendix, and says so.
CREATE FUNCTION mark_late_event() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  NEW.late := EXISTS (SELECT FROM visit WHERE id = NEW.visit_id AND locked_at IS NOT NULL);
  RETURN NEW;
END $$;
CREATE TRIGGER run_event_late BEFORE INSERT ON run_event FOR EACH ROW EXECUTE FUNCTION mark_late_event();
