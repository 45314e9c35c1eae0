-- A record is given to somebody by name, for a time or until it is ended.
ALTER TABLE student_access
  ADD COLUMN IF NOT EXISTS given_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  -- The last day on which he may see it.
  ADD COLUMN IF NOT EXISTS until_on DATE NULL;

-- A student who goes over to another instructor, with who agreed to it. Kept as what was agreed when it was answered.
CREATE TABLE IF NOT EXISTS student_handovers (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  student_id CHAR(36) CHARACTER SET ascii NOT NULL,
  from_id CHAR(36) CHARACTER SET ascii NULL,
  to_id CHAR(36) CHARACTER SET ascii NULL,
  consent_by VARCHAR(80) NOT NULL,
  consent_on DATE NOT NULL,
  offered_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  answered_at DATETIME(3) NULL,
  taken TINYINT(1) NULL,
  KEY student_handovers_student (student_id, answered_at),
  KEY student_handovers_to (to_id, answered_at),
  FOREIGN KEY (student_id) REFERENCES students (id) ON DELETE CASCADE,
  FOREIGN KEY (from_id) REFERENCES users (id) ON DELETE SET NULL,
  FOREIGN KEY (to_id) REFERENCES users (id) ON DELETE SET NULL
);
