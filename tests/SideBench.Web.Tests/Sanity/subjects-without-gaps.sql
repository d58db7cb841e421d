-- Lines of every subject are numbered from 1 without a gap, its version is the last of them, and every line of a machine or the shop has its subject.
SELECT count(*) AS rows_out_of_order
FROM (
    SELECT s.subject
    FROM subjects s
    LEFT JOIN touches t ON t.subject = s.subject
    GROUP BY s.subject, s.version
    HAVING coalesce(max(t.version), 0) <> s.version OR count(t.version) <> s.version
    UNION ALL
    SELECT t.subject
    FROM touches t
    LEFT JOIN subjects s ON s.subject = t.subject
    WHERE s.subject IS NULL
    UNION ALL
    SELECT 'machine:' || e.machine_id
    FROM entries e
    LEFT JOIN touches t ON t.entry_id = e.entry_id AND t.subject = 'machine:' || e.machine_id
    WHERE e.machine_id IS NOT NULL AND t.subject IS NULL
    UNION ALL
    SELECT 'shop:0'
    FROM entries e
    LEFT JOIN touches t ON t.entry_id = e.entry_id AND t.subject = 'shop:0'
    WHERE e.machine_id IS NULL AND e.job_id IS NULL AND t.subject IS NULL
) odd
HAVING count(*) > 0
