-- Who looked at the record of a student, once an hour and person. Gone with the student.
CREATE TABLE IF NOT EXISTS looks (
  student_id CHAR(36) CHARACTER SET ascii NOT NULL,
  user_id CHAR(36) CHARACTER SET ascii NOT NULL,
  what ENUM('record', 'export') NOT NULL,
  hour DATETIME NOT NULL,
  PRIMARY KEY (student_id, hour, user_id, what),
  FOREIGN KEY (student_id) REFERENCES students (id) ON DELETE CASCADE,
  FOREIGN KEY (user_id) REFERENCES users (id) ON DELETE CASCADE
);
