-- Who teaches in a lesson besides whose it is.
CREATE TABLE IF NOT EXISTS lesson_instructors (
  lesson_id CHAR(36) CHARACTER SET ascii NOT NULL,
  user_id CHAR(36) CHARACTER SET ascii NOT NULL,
  PRIMARY KEY (lesson_id, user_id),
  KEY lesson_instructors_user (user_id),
  FOREIGN KEY (lesson_id) REFERENCES lessons (id) ON DELETE CASCADE,
  FOREIGN KEY (user_id) REFERENCES users (id) ON DELETE CASCADE
);

-- With whom a student is in a lesson; null is with whose lesson it is.
ALTER TABLE lesson_students
  ADD COLUMN IF NOT EXISTS instructor_id CHAR(36) CHARACTER SET ascii NULL,
  ADD CONSTRAINT lesson_students_instructor FOREIGN KEY IF NOT EXISTS (instructor_id) REFERENCES users (id) ON DELETE SET NULL;

-- A record is seen because somebody gave it, or through lessons in which one helps or teaches along, or by both.
ALTER TABLE student_access
  ADD COLUMN IF NOT EXISTS by_name BOOLEAN NOT NULL DEFAULT TRUE,
  ADD COLUMN IF NOT EXISTS lesson_until DATE NULL;
UPDATE student_access a JOIN users u ON u.id = a.user_id
  SET a.by_name = FALSE, a.lesson_until = a.until_on, a.until_on = NULL
  WHERE u.assists_lesson_id IS NOT NULL AND a.by_name;
