-- When a person's account and all that is theirs is deleted; null for who stays.
ALTER TABLE person ADD COLUMN leaves_at TIMESTAMP(9) WITH TIME ZONE;
CREATE INDEX person_leaving ON person (leaves_at);

-- What a guardian did in a student's data stays the student's when the guardian leaves.
ALTER TABLE message ALTER COLUMN person_id DROP NOT NULL;

-- What who looks after students keeps of each for themselves; no student sees it.
CREATE TABLE onlooker_note (
    person_id  BIGINT NOT NULL REFERENCES person (id),
    student_id BIGINT NOT NULL REFERENCES person (id),
    text       CHARACTER VARYING(4000) NOT NULL,
    written_at TIMESTAMP(9) WITH TIME ZONE NOT NULL,
    PRIMARY KEY (person_id, student_id)
);
CREATE TABLE onlooker_group (
    person_id  BIGINT NOT NULL REFERENCES person (id),
    student_id BIGINT NOT NULL REFERENCES person (id),
    name       VARCHAR(60) NOT NULL,
    PRIMARY KEY (person_id, student_id, name)
);

-- Who can't sign in, though all that is theirs stays; null for who can.
ALTER TABLE person ADD COLUMN disabled_at TIMESTAMP(9) WITH TIME ZONE;
