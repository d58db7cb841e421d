-- Things with a life of their own beside jobs, whose rows are their own: machines, stores, items, the shop. A write locks the row and
-- moves its version on.
CREATE TABLE subjects (
    subject text NOT NULL,
    version integer NOT NULL,
    CONSTRAINT subjects_pkey PRIMARY KEY (subject),
    CONSTRAINT subjects_version_range CHECK (version >= 0)
);

-- The lines of each of them, numbered without gaps. One line can be about several.
CREATE TABLE touches (
    subject text NOT NULL,
    version integer NOT NULL,
    entry_id bigint NOT NULL,
    CONSTRAINT touches_pkey PRIMARY KEY (subject, version),
    CONSTRAINT touches_entry_known FOREIGN KEY (entry_id) REFERENCES entries (entry_id)
);

CREATE INDEX touches_entry ON touches (entry_id);

INSERT INTO touches (subject, version, entry_id)
SELECT 'machine:' || machine_id, row_number() OVER (PARTITION BY machine_id ORDER BY entry_id), entry_id
FROM entries
WHERE machine_id IS NOT NULL;

INSERT INTO touches (subject, version, entry_id)
SELECT 'shop:0', row_number() OVER (ORDER BY entry_id), entry_id
FROM entries
WHERE job_id IS NULL
  AND machine_id IS NULL;

INSERT INTO subjects (subject, version)
SELECT 'machine:' || m.machine_id, coalesce(max(t.version), 0)
FROM machines m
LEFT JOIN touches t ON t.subject = 'machine:' || m.machine_id
GROUP BY m.machine_id;

INSERT INTO subjects (subject, version)
SELECT 'shop:0', coalesce(max(version), 0)
FROM touches
WHERE subject = 'shop:0';

CREATE SEQUENCE store_ids;
CREATE SEQUENCE item_ids;

-- What a correction takes out of force: the line it names, and nothing else. This is the one place in SQL that knows it.
CREATE INDEX entries_corrected ON entries (((body ->> 'target')::bigint)) WHERE kind = 'corrected';

CREATE VIEW standing_entries AS
SELECT e.entry_id, e.job_id, e.machine_id, e.version, e.person_id, e.person_name, e.written_at, e.kind, e.body
FROM entries e
WHERE NOT EXISTS (
    SELECT
    FROM entries c
    WHERE c.kind = 'corrected'
      AND (c.body ->> 'target')::bigint = e.entry_id
);

-- Boards and counts by their index, not by looking at everything.
CREATE INDEX jobs_here ON jobs (place, opened_at) WHERE handed_over_at IS NULL;

-- What kind of world this is: in a real one no stand-in ever takes part.
CREATE TABLE worlds (
    world text NOT NULL,
    CONSTRAINT worlds_pkey PRIMARY KEY (world),
    CONSTRAINT worlds_known CHECK (world IN ('demo'))
);

-- Demo shops that were made before are known by their people, who exist nowhere else.
INSERT INTO worlds (world)
SELECT 'demo'
WHERE (SELECT count(*) FROM people WHERE (person_id, name) IN ((1, 'Ines Varga'), (2, 'Tom Adeyemi-Rowe'), (3, 'Mika Sund'))) = 3;

-- How often a case turned out to be which cause: kept with the verdicts, so that nobody counts them all.
CREATE TABLE verdict_counts (
    model_id text NOT NULL,
    complaint text NOT NULL,
    ink text NOT NULL,
    cause text NOT NULL,
    jobs integer NOT NULL,
    CONSTRAINT verdict_counts_pkey PRIMARY KEY (model_id, complaint, ink, cause)
);

INSERT INTO verdict_counts (model_id, complaint, ink, cause, jobs)
SELECT model_id, complaint, ink, cause, count(*)
FROM verdicts
GROUP BY model_id, complaint, ink, cause;
