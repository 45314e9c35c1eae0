ALTER TABLE users
  ADD COLUMN IF NOT EXISTS schools JSON NULL;

-- Whose knots a rig is tied with; the rig itself names nobody.
ALTER TABLE rigs
  ADD COLUMN IF NOT EXISTS student_id CHAR(36) CHARACTER SET ascii NULL,
  ADD KEY IF NOT EXISTS rigs_student (student_id),
  ADD CONSTRAINT rigs_ibfk_2 FOREIGN KEY IF NOT EXISTS (student_id) REFERENCES students (id) ON DELETE SET NULL;

-- What a scale, a bucket or a watch said.
CREATE TABLE IF NOT EXISTS readings (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  owner_id CHAR(36) CHARACTER SET ascii NOT NULL,
  student_id CHAR(36) CHARACTER SET ascii NULL,
  taken_on DATE NOT NULL,
  body JSON NOT NULL,
  KEY readings_owner (owner_id, taken_on),
  KEY readings_student (student_id),
  FOREIGN KEY (owner_id) REFERENCES users (id) ON DELETE CASCADE,
  FOREIGN KEY (student_id) REFERENCES students (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS fly_boxes (
  owner_id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  body JSON NOT NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  FOREIGN KEY (owner_id) REFERENCES users (id) ON DELETE CASCADE
);
