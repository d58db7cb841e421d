-- Every job's lines are numbered 1, 2, 3 without a gap.
SELECT job_id
FROM entries
WHERE job_id IS NOT NULL
GROUP BY job_id
HAVING max(version) <> count(*) OR min(version) <> 1
