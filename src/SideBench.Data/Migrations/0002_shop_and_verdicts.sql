-- Lines about the shop itself: they belong to no job and no machine.
CREATE INDEX entries_shop ON entries (entry_id) WHERE job_id IS NULL AND machine_id IS NULL;
CREATE UNIQUE INDEX entries_shop_version_once ON entries (version) WHERE job_id IS NULL AND machine_id IS NULL;

-- What proved threads turned out to be: a projection of the lines of kind judged that stand.
CREATE TABLE verdicts (
    entry_id bigint NOT NULL,
    job_id bigint NOT NULL,
    model_id text NOT NULL,
    complaint text NOT NULL,
    ink text NOT NULL,
    cause text NOT NULL,
    body jsonb NOT NULL,
    CONSTRAINT verdicts_pkey PRIMARY KEY (entry_id),
    CONSTRAINT verdicts_job_known FOREIGN KEY (job_id) REFERENCES jobs (job_id)
);

CREATE INDEX verdicts_case ON verdicts (model_id, complaint);
