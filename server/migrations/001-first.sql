CREATE TABLE IF NOT EXISTS users (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  email VARCHAR(190) NOT NULL,
  name VARCHAR(80) NOT NULL,
  password_hash VARCHAR(200) NOT NULL,
  units ENUM('metric', 'imperial') NOT NULL DEFAULT 'metric',
  bank_hand ENUM('right', 'left') NOT NULL DEFAULT 'right',
  created_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  UNIQUE KEY users_email (email)
);

CREATE TABLE IF NOT EXISTS circles (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  name VARCHAR(80) NOT NULL,
  created_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3)
);

CREATE TABLE IF NOT EXISTS circle_members (
  circle_id CHAR(36) CHARACTER SET ascii NOT NULL,
  user_id CHAR(36) CHARACTER SET ascii NOT NULL,
  role ENUM('owner', 'editor', 'reader') NOT NULL,
  PRIMARY KEY (circle_id, user_id),
  KEY circle_members_user (user_id),
  FOREIGN KEY (circle_id) REFERENCES circles (id) ON DELETE CASCADE,
  FOREIGN KEY (user_id) REFERENCES users (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS waters (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  owner_id CHAR(36) CHARACTER SET ascii NOT NULL,
  circle_id CHAR(36) CHARACTER SET ascii NULL,
  name VARCHAR(80) NOT NULL,
  body JSON NOT NULL,
  KEY waters_owner (owner_id),
  KEY waters_circle (circle_id),
  FOREIGN KEY (owner_id) REFERENCES users (id) ON DELETE CASCADE,
  FOREIGN KEY (circle_id) REFERENCES circles (id) ON DELETE SET NULL
);

CREATE TABLE IF NOT EXISTS students (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  owner_id CHAR(36) CHARACTER SET ascii NOT NULL,
  name VARCHAR(80) NOT NULL,
  born_on DATE NULL,
  hand ENUM('right', 'left') NOT NULL,
  note VARCHAR(500) NOT NULL,
  guardian_name VARCHAR(80) NOT NULL,
  guardian_contact VARCHAR(120) NOT NULL,
  guardian_consent_on DATE NULL,
  KEY students_owner (owner_id, name),
  FOREIGN KEY (owner_id) REFERENCES users (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS student_access (
  student_id CHAR(36) CHARACTER SET ascii NOT NULL,
  user_id CHAR(36) CHARACTER SET ascii NOT NULL,
  PRIMARY KEY (student_id, user_id),
  KEY student_access_user (user_id),
  FOREIGN KEY (student_id) REFERENCES students (id) ON DELETE CASCADE,
  FOREIGN KEY (user_id) REFERENCES users (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS rigs (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  owner_id CHAR(36) CHARACTER SET ascii NOT NULL,
  name VARCHAR(80) NOT NULL,
  body JSON NOT NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  updated_at DATETIME(3) NOT NULL,
  KEY rigs_owner (owner_id, updated_at),
  FOREIGN KEY (owner_id) REFERENCES users (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS plans (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  owner_id CHAR(36) CHARACTER SET ascii NOT NULL,
  circle_id CHAR(36) CHARACTER SET ascii NULL,
  title VARCHAR(80) NOT NULL,
  body JSON NOT NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  updated_at DATETIME(3) NOT NULL,
  origin_plan_id CHAR(36) CHARACTER SET ascii NULL,
  origin_title VARCHAR(80) NULL,
  origin_owner_name VARCHAR(80) NULL,
  origin_version INT UNSIGNED NULL,
  KEY plans_owner (owner_id, updated_at),
  KEY plans_circle (circle_id, updated_at),
  FOREIGN KEY (owner_id) REFERENCES users (id) ON DELETE CASCADE,
  FOREIGN KEY (circle_id) REFERENCES circles (id) ON DELETE SET NULL
);

CREATE TABLE IF NOT EXISTS lessons (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  owner_id CHAR(36) CHARACTER SET ascii NOT NULL,
  plan_id CHAR(36) CHARACTER SET ascii NOT NULL,
  water_id CHAR(36) CHARACTER SET ascii NOT NULL,
  starts_at DATETIME(3) NOT NULL,
  KEY lessons_owner (owner_id, starts_at),
  FOREIGN KEY (owner_id) REFERENCES users (id) ON DELETE CASCADE,
  FOREIGN KEY (plan_id) REFERENCES plans (id),
  FOREIGN KEY (water_id) REFERENCES waters (id)
);

CREATE TABLE IF NOT EXISTS lesson_students (
  lesson_id CHAR(36) CHARACTER SET ascii NOT NULL,
  student_id CHAR(36) CHARACTER SET ascii NOT NULL,
  lane TINYINT UNSIGNED NOT NULL,
  PRIMARY KEY (lesson_id, student_id),
  KEY lesson_students_student (student_id),
  FOREIGN KEY (lesson_id) REFERENCES lessons (id) ON DELETE CASCADE,
  FOREIGN KEY (student_id) REFERENCES students (id) ON DELETE CASCADE
);

-- Only ever added to. `seq` is the order in which the server got them, `at_ms` what the device's clock said.
CREATE TABLE IF NOT EXISTS events (
  seq BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  id CHAR(36) CHARACTER SET ascii NOT NULL,
  lesson_id CHAR(36) CHARACTER SET ascii NOT NULL,
  student_id CHAR(36) CHARACTER SET ascii NULL,
  block_id CHAR(36) CHARACTER SET ascii NULL,
  device_id CHAR(36) CHARACTER SET ascii NOT NULL,
  recorded_by CHAR(36) CHARACTER SET ascii NOT NULL,
  at_ms BIGINT UNSIGNED NOT NULL,
  received_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  kind VARCHAR(20) CHARACTER SET ascii NOT NULL,
  body JSON NOT NULL,
  UNIQUE KEY events_id (id),
  KEY events_lesson (lesson_id, seq),
  KEY events_student (student_id, seq),
  FOREIGN KEY (lesson_id) REFERENCES lessons (id),
  FOREIGN KEY (student_id) REFERENCES students (id) ON DELETE CASCADE,
  FOREIGN KEY (recorded_by) REFERENCES users (id)
);

CREATE TABLE IF NOT EXISTS sessions (
  session_id VARCHAR(128) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  expires INT UNSIGNED NOT NULL,
  data MEDIUMTEXT NULL,
  KEY sessions_expires (expires)
);

CREATE TABLE IF NOT EXISTS rate_limits (
  id VARCHAR(255) NOT NULL PRIMARY KEY,
  hits INT UNSIGNED NOT NULL,
  resets_at DATETIME(3) NOT NULL
);
