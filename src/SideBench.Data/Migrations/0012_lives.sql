-- Boxes, counters, pieces, inks, lots and parts of the shop get their lines: what stands here says of each line what its kind says in code,
-- and a test holds the two together. Done in one transaction: when it is broken off, nothing of it is there and it begins again.
ALTER TABLE subjects
    ADD COLUMN sort text GENERATED ALWAYS AS (split_part(subject, ':', 1)) STORED,
    ADD COLUMN last_entry bigint NOT NULL DEFAULT 0;

-- No store or item was ever numbered.
DROP SEQUENCE store_ids;
DROP SEQUENCE item_ids;

CREATE FUNCTION touch_lives() RETURNS void LANGUAGE sql AS $$
WITH told AS (
    -- Lines that tell a waste store, each with the run of lines during which one box is in. What is taken back changes no box.
    SELECT e.entry_id,
           e.machine_id,
           upper(btrim(coalesce(e.body ->> 'box', '')) COLLATE "C") AS box,
           count(*) FILTER (
               WHERE e.kind = 'store-told'
                 AND (btrim(coalesce(e.body ->> 'box', '')) <> '' OR e.body ->> 'what' = 'renewed')
                 AND NOT EXISTS (
                     SELECT
                     FROM entries c
                     WHERE c.kind = 'corrected'
                       AND (c.body ->> 'target')::bigint = e.entry_id
                 )
           ) OVER (PARTITION BY e.machine_id ORDER BY e.entry_id ROWS BETWEEN UNBOUNDED PRECEDING AND 1 PRECEDING) AS run,
           EXISTS (
               SELECT
               FROM entries c
               WHERE c.kind = 'corrected'
                 AND (c.body ->> 'target')::bigint = e.entry_id
           ) AS is_gone,
           e.kind = 'store-told' AND (btrim(coalesce(e.body ->> 'box', '')) <> '' OR e.body ->> 'what' = 'renewed') AS changes
    FROM entries e
    WHERE e.kind IN ('store-told', 'counter-reset')
      AND e.machine_id IS NOT NULL
),
boxes AS (
    SELECT t.entry_id, t.machine_id, t.box, coalesce(i.box, '') AS inside
    FROM told t
    LEFT JOIN told i ON i.machine_id = t.machine_id AND i.changes AND NOT i.is_gone AND i.run = t.run - 1
),
fitted AS (
    SELECT e.entry_id,
           e.machine_id,
           (e.body ->> 'slot')::integer AS slot,
           upper(btrim(coalesce(e.body ->> 'lot', '')) COLLATE "C") AS lot,
           (
               SELECT upper(btrim(coalesce(b.body ->> 'lot', '')) COLLATE "C")
               FROM standing_entries b
               WHERE b.machine_id = e.machine_id
                 AND b.kind = 'slot-fitted'
                 AND b.entry_id < e.entry_id
                 AND (b.body ->> 'slot')::integer = (e.body ->> 'slot')::integer
               ORDER BY b.entry_id DESC
               LIMIT 1
           ) AS lot_before
    FROM entries e
    WHERE e.kind = 'slot-fitted'
      AND e.machine_id IS NOT NULL
),
about AS (
    SELECT 'counter:' || machine_id AS subject, entry_id FROM boxes
    UNION
    SELECT 'store:' || box, entry_id FROM boxes WHERE box <> ''
    UNION
    SELECT 'store:' || inside, entry_id FROM boxes WHERE inside <> ''
    UNION
    SELECT 'piece:' || machine_id || '/' || slot, entry_id FROM fitted
    UNION
    SELECT 'lot:' || lot, entry_id FROM fitted WHERE lot <> ''
    UNION
    SELECT 'lot:' || lot_before, entry_id FROM fitted WHERE lot_before <> ''
    UNION
    SELECT 'item:' || m.model_id || '/' || (s.slot ->> 'slot'), e.entry_id
    FROM entries e
    JOIN machines m ON m.machine_id = e.machine_id
    CROSS JOIN LATERAL jsonb_array_elements(
        CASE WHEN jsonb_typeof(e.body -> 'slots') = 'array' THEN e.body -> 'slots' ELSE '[]' END
    ) AS s (slot)
    WHERE e.kind = 'slots-filled'
    UNION
    SELECT 'store:' || upper(btrim(coalesce(body ->> 'tag', body ->> 'box')) COLLATE "C"), entry_id
    FROM entries
    WHERE kind IN ('box-came', 'box-told')
    UNION
    SELECT p.part, e.entry_id
    FROM entries e
    JOIN (
        VALUES ('hours-set', 'shop:hours'),
               ('day-rule-set', 'shop:hours'),
               ('reminder-done', 'shop:day'),
               ('school-chosen', 'shop:schools'),
               ('account-kept', 'shop:people'),
               ('own-file-kept', 'shop:own'),
               ('book-edited', 'shop:book'),
               ('part-told', 'shop:shelf'),
               ('stock-came', 'shop:shelf'),
               ('stock-went', 'shop:shelf'),
               ('box-came', 'shop:waste'),
               ('box-told', 'shop:waste'),
               ('local-rules', 'shop:waste'),
               ('waste-handed-in', 'shop:waste')
    ) AS p (kind, part) ON p.kind = e.kind
),
-- A correction is about what the line was that it takes back.
everything AS (
    SELECT subject, entry_id FROM about
    UNION
    SELECT a.subject, c.entry_id
    FROM entries c
    JOIN about a ON a.entry_id = (c.body ->> 'target')::bigint
    WHERE c.kind = 'corrected'
),
numbered AS (
    INSERT INTO touches (subject, version, entry_id)
    SELECT subject, row_number() OVER (PARTITION BY subject ORDER BY entry_id), entry_id
    FROM everything
    RETURNING subject, version
)
INSERT INTO subjects (subject, version)
SELECT subject, max(version)
FROM numbered
GROUP BY subject;

UPDATE subjects s
SET last_entry = l.entry_id
FROM (SELECT subject, max(entry_id) AS entry_id FROM touches GROUP BY subject) l
WHERE l.subject = s.subject;
$$;

SELECT touch_lives();

CREATE INDEX subjects_sort ON subjects (sort, last_entry DESC) INCLUDE (subject, version);
-- What goes back is looked up by its day, whatever it is.
DROP INDEX entries_slots;
DROP INDEX entries_returns;
CREATE INDEX entries_returns ON entries ((body ->> 'returnBy')) WHERE kind IN ('mended', 'slot-fitted') AND body ? 'returnBy';
