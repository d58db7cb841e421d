-- Every judged line that stands is a verdict, and nothing else is.
SELECT coalesce(e.entry_id, v.entry_id)
FROM (
    SELECT j.entry_id
    FROM entries j
    WHERE j.kind = 'judged'
      AND NOT EXISTS (SELECT FROM entries c WHERE c.job_id = j.job_id AND c.kind = 'corrected' AND (c.body ->> 'target')::bigint = j.entry_id)
) e
FULL JOIN verdicts v ON v.entry_id = e.entry_id
WHERE e.entry_id IS NULL OR v.entry_id IS NULL
