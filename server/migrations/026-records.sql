-- Counts up in the transaction in which entries of a student come or go: who sees the number he saw last knows that nothing is new.
ALTER TABLE students ADD COLUMN IF NOT EXISTS record_no INT UNSIGNED NOT NULL DEFAULT 0;

-- What a student's record comes to, made at the first reading after it changed, nothing stands here alone. `record_no` is
-- that of the student when it was made, `made_from` names the parameters of learning and what is taught.
CREATE TABLE IF NOT EXISTS student_records (
  student_id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  record_no INT UNSIGNED NOT NULL,
  made_from CHAR(40) CHARACTER SET ascii NOT NULL,
  columns JSON NOT NULL,
  progress JSON NOT NULL,
  effects JSON NOT NULL,
  FOREIGN KEY (student_id) REFERENCES students (id) ON DELETE CASCADE
);
