-- A message about work that a school's box knows goes there, too.
ALTER TABLE message ADD COLUMN school VARCHAR(200);
ALTER TABLE message ADD COLUMN school_number VARCHAR(200);
