-- Who was treated with a lot is asked by the lot, of what was used and of cartridges.
CREATE INDEX visit_use_lot ON visit_use (salon_id, lot);
CREATE INDEX run_event_cartridge ON run_event (salon_id) WHERE body ->> 'type' = 'cartridge';
