-- When somebody proved that the address with which they sign in is theirs; null for not yet. Who was here before is believed.
ALTER TABLE person ADD COLUMN confirmed_at TIMESTAMP(9) WITH TIME ZONE;
UPDATE person SET confirmed_at = created_at;
CREATE TABLE address_confirmation (
    secret_hash CHAR(64)     PRIMARY KEY,
    person_id   BIGINT       NOT NULL REFERENCES person (id),
    email_key   VARCHAR(254) NOT NULL,
    made_at     TIMESTAMP(9) WITH TIME ZONE NOT NULL,
    ends_at     TIMESTAMP(9) WITH TIME ZONE NOT NULL
);
CREATE INDEX address_confirmation_of ON address_confirmation (person_id);

-- An invitation can go by mail to somebody who isn't here yet.
ALTER TABLE invitation ADD COLUMN email_key VARCHAR(254);
ALTER TABLE notice_mail ALTER COLUMN person_id DROP NOT NULL;
ALTER TABLE notice_mail ADD COLUMN to_address VARCHAR(254);
