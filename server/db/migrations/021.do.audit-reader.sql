-- The log is read by person and by client, the newest first.
CREATE INDEX audit_newest ON audit (salon_id, id DESC);
CREATE INDEX audit_person ON audit (account_id, id DESC);
CREATE INDEX audit_subject_newest ON audit (subject_id, id DESC);
