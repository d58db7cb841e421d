-- Wrong tries to sign in, by what was tried: a person's password, a person's PIN, an address. Counted before the secret is looked at, so that
-- many tries at once are as many as they are.
CREATE TABLE sign_in_tries (
    tried text NOT NULL,
    failed_count integer NOT NULL,
    tried_at timestamptz NOT NULL,
    locked_until timestamptz,
    CONSTRAINT sign_in_tries_pkey PRIMARY KEY (tried)
);

ALTER TABLE people DROP COLUMN failed_count, DROP COLUMN locked_until;
