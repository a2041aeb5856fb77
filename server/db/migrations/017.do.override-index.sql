-- Found by explaining every question as the role that asks it.
CREATE INDEX visit_override_visit ON visit_override (visit_id);
