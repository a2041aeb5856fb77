-- Exfoliation points of a visit on the zone that got most: the days before the next follow from them. Visits signed before have none.
ALTER TABLE outcome ADD COLUMN points double precision CHECK (points >= 0);
