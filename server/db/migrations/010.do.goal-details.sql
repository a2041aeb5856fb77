-- Of a goal: the zones it is about, and whether it is the client's own wish.
ALTER TABLE client ADD COLUMN goal_details jsonb NOT NULL DEFAULT '{}';
