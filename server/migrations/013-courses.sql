-- Goals of a group of students by a day. Which lessons belong to it the calendar says.
CREATE TABLE IF NOT EXISTS courses (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  owner_id CHAR(36) CHARACTER SET ascii NOT NULL,
  name VARCHAR(80) NOT NULL,
  from_on DATE NOT NULL,
  until_on DATE NOT NULL,
  goals VARCHAR(1000) CHARACTER SET ascii NOT NULL,
  KEY courses_owner (owner_id, until_on),
  FOREIGN KEY (owner_id) REFERENCES users (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS course_students (
  course_id CHAR(36) CHARACTER SET ascii NOT NULL,
  student_id CHAR(36) CHARACTER SET ascii NOT NULL,
  place TINYINT UNSIGNED NOT NULL,
  PRIMARY KEY (course_id, student_id),
  KEY course_students_student (student_id),
  FOREIGN KEY (course_id) REFERENCES courses (id) ON DELETE CASCADE,
  FOREIGN KEY (student_id) REFERENCES students (id) ON DELETE CASCADE
);
