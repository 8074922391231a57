-- What a teacher answered to a message, as its writer put it down; null for nothing yet.
ALTER TABLE message ADD COLUMN answer VARCHAR(20000);
ALTER TABLE message ADD COLUMN answered_at TIMESTAMP(9) WITH TIME ZONE;
