-- A guardian is asked by a link whether a record may be kept. Of its token, and of the key of the device which answered,
-- only the SHA-256 is kept.
CREATE TABLE IF NOT EXISTS consents (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  student_id CHAR(36) CHARACTER SET ascii NOT NULL,
  made_by CHAR(36) CHARACTER SET ascii NULL,
  email VARCHAR(190) NULL,
  token_hash CHAR(64) CHARACTER SET ascii NULL,
  key_hash CHAR(64) CHARACTER SET ascii NULL,
  asked_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  until_at DATETIME(3) NOT NULL,
  answered_at DATETIME(3) NULL,
  given TINYINT(1) NULL,
  by_name VARCHAR(80) NULL,
  -- Whether the name is that of the guardian, as it was written down or as the instructor said afterwards.
  known TINYINT(1) NOT NULL DEFAULT 0,
  taken_back_at DATETIME(3) NULL,
  UNIQUE KEY consents_token (token_hash),
  KEY consents_student (student_id, asked_at),
  FOREIGN KEY (student_id) REFERENCES students (id) ON DELETE CASCADE,
  FOREIGN KEY (made_by) REFERENCES users (id) ON DELETE SET NULL
);

-- How long records are kept, in months: by a circle for all who teach in it, and by an instructor for his own.
ALTER TABLE circles
  ADD COLUMN IF NOT EXISTS entry_months SMALLINT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS student_months SMALLINT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS keeping_since DATE NULL;
ALTER TABLE users
  ADD COLUMN IF NOT EXISTS entry_months SMALLINT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS student_months SMALLINT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS keeping_since DATE NULL;
ALTER TABLE students ADD COLUMN IF NOT EXISTS added_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3);
ALTER TABLE events ADD KEY IF NOT EXISTS events_age (student_id, at_ms);
