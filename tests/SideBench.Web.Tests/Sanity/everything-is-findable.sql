-- Every job, machine and customer can be found.
SELECT j.job_id
FROM jobs j
WHERE NOT EXISTS (SELECT FROM finds f WHERE f.kind = 'job' AND f.ref_id = j.job_id)
   OR NOT EXISTS (SELECT FROM finds f WHERE f.kind = 'machine' AND f.ref_id = j.machine_id)
   OR NOT EXISTS (SELECT FROM finds f WHERE f.kind = 'customer' AND f.ref_id = j.customer_id)
