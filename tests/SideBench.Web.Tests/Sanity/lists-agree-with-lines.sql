-- What lists show of a job agrees with its lines.
SELECT j.job_id
FROM jobs j
LEFT JOIN entries e ON e.job_id = j.job_id
GROUP BY j.job_id
HAVING j.version <> count(e.entry_id)
    OR (j.handed_over_at IS NOT NULL) <> bool_or(e.kind = 'handed-over')
    OR (j.closed_how IS NOT NULL AND NOT bool_or(e.kind = 'closed'))
