-- How each line was told, from now on. Lines of before have none: nobody knows it any more.
ALTER TABLE entries
    ADD COLUMN how_told text,
    ADD CONSTRAINT entries_how_told_known CHECK (how_told IN ('key', 'hand', 'typed', 'scan', 'guide'));

CREATE OR REPLACE VIEW standing_entries AS
SELECT e.entry_id, e.job_id, e.machine_id, e.version, e.person_id, e.person_name, e.written_at, e.kind, e.body, e.how_told
FROM entries e
WHERE NOT EXISTS (
    SELECT
    FROM entries c
    WHERE c.kind = 'corrected'
      AND (c.body ->> 'target')::bigint = e.entry_id
);
