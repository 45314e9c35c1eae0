-- The newest entry a record was made from. Servers of before, which run for a while beside this one when they are brought
-- up to date one after the other, count no records up: by this the next start finds what they wrote.
ALTER TABLE student_records ADD COLUMN IF NOT EXISTS newest_seq BIGINT UNSIGNED NULL;

-- Who has entries from before records were counted has changed once.
UPDATE students s SET s.record_no = 1
  WHERE s.record_no = 0 AND EXISTS (SELECT 1 FROM events e WHERE e.student_id = s.id);
