-- Pictures of nozzle sheets, by the fingerprint of their bytes: the same picture is kept once. Lines of the record name them.
CREATE TABLE pictures (
    fingerprint text NOT NULL,
    width integer NOT NULL,
    height integer NOT NULL,
    kept_at timestamptz NOT NULL,
    bytes bytea NOT NULL,
    CONSTRAINT pictures_pkey PRIMARY KEY (fingerprint),
    CONSTRAINT pictures_size CHECK (width > 0 AND height > 0 AND octet_length(bytes) > 0)
);

ALTER TABLE pictures ALTER COLUMN bytes SET STORAGE EXTERNAL;

-- The sheets of a machine's life.
CREATE INDEX entries_sheets ON entries (machine_id, entry_id) WHERE kind IN ('sheet-taken', 'sheet-corrected');
