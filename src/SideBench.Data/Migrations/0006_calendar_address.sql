-- The one address from which calendars fetch the day: a secret, renewed at will. No line of the record, which people export.
CREATE TABLE calendar_address (
    only_one boolean NOT NULL DEFAULT true,
    secret text NOT NULL,
    made_at timestamptz NOT NULL,
    CONSTRAINT calendar_address_pkey PRIMARY KEY (only_one),
    CONSTRAINT calendar_address_one CHECK (only_one)
);
