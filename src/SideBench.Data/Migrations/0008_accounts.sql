-- How an account stands, and its one-time code. Who left keeps their name on what they wrote; the name may be given again.
ALTER TABLE people
    ADD COLUMN account_standing text NOT NULL DEFAULT 'Active',
    ADD COLUMN code_hash text,
    ADD COLUMN code_until timestamptz,
    ALTER COLUMN password_hash DROP NOT NULL,
    ADD CONSTRAINT people_standing_known CHECK (account_standing IN ('Invited', 'Active', 'Suspended', 'Gone')),
    ADD CONSTRAINT people_code_whole CHECK ((code_hash IS NULL) = (code_until IS NULL));

DROP INDEX people_name_once;
CREATE UNIQUE INDEX people_name_once ON people (lower(name)) WHERE account_standing <> 'Gone';

-- Where people are signed in: a cookie counts for as long as its row is here.
CREATE TABLE sign_ins (
    sign_in_id uuid NOT NULL,
    person_id bigint NOT NULL,
    place text NOT NULL,
    address text NOT NULL,
    began_at timestamptz NOT NULL,
    seen_at timestamptz NOT NULL,
    CONSTRAINT sign_ins_pkey PRIMARY KEY (sign_in_id),
    CONSTRAINT sign_ins_person_known FOREIGN KEY (person_id) REFERENCES people (person_id)
);

CREATE INDEX sign_ins_person ON sign_ins (person_id);
