-- Tries to sign in are counted in memory.
DROP TABLE sign_in_failure;

-- Sessions are stored by the digest of their number. Those from before have no digest that could be found: everybody signs in anew.
DELETE FROM spring_session;
ALTER TABLE spring_session ALTER COLUMN session_id VARCHAR(64) NOT NULL;

-- Of an address of a calendar its digest is enough; it is made from the salt and from the key of this Navlo.
ALTER TABLE calendar_feed ADD COLUMN salt VARCHAR(64) DEFAULT '' NOT NULL;
ALTER TABLE calendar_feed ADD COLUMN digest VARCHAR(64);
UPDATE calendar_feed SET digest = LOWER(RAWTOHEX(HASH('SHA256', STRINGTOUTF8(secret))));
ALTER TABLE calendar_feed ALTER COLUMN digest SET NOT NULL;
ALTER TABLE calendar_feed ADD CONSTRAINT calendar_feed_digest UNIQUE (digest);
ALTER TABLE calendar_feed DROP COLUMN secret;

-- Sealed, a token is longer.
ALTER TABLE link ALTER COLUMN token VARCHAR(600);

-- The place of a content that an archive brought damaged.
ALTER TABLE stored_file ALTER COLUMN content DROP NOT NULL;
