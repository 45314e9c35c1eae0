-- A link to the page of one student. Of its token only the SHA-256 is kept.
CREATE TABLE IF NOT EXISTS student_links (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  student_id CHAR(36) CHARACTER SET ascii NOT NULL,
  lesson_id CHAR(36) CHARACTER SET ascii NOT NULL,
  token_hash CHAR(64) CHARACTER SET ascii NOT NULL,
  made_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  until_at DATETIME(3) NOT NULL,
  closed_at DATETIME(3) NULL,
  views INT UNSIGNED NOT NULL DEFAULT 0,
  viewed_at DATETIME(3) NULL,
  -- By which name the guardian of a minor opened it.
  opened_by VARCHAR(80) NULL,
  UNIQUE KEY student_links_token (token_hash),
  KEY student_links_student (student_id, made_at),
  KEY student_links_lesson (lesson_id),
  FOREIGN KEY (student_id) REFERENCES students (id) ON DELETE CASCADE,
  FOREIGN KEY (lesson_id) REFERENCES lessons (id) ON DELETE CASCADE
);

-- What came back from such a page and counts for nothing until the instructor has looked at it.
CREATE TABLE IF NOT EXISTS home_entries (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  link_id CHAR(36) CHARACTER SET ascii NOT NULL,
  student_id CHAR(36) CHARACTER SET ascii NOT NULL,
  at_ms BIGINT UNSIGNED NOT NULL,
  shape SMALLINT UNSIGNED NOT NULL,
  body JSON NOT NULL,
  KEY home_entries_student (student_id, at_ms),
  KEY home_entries_link (link_id),
  FOREIGN KEY (link_id) REFERENCES student_links (id) ON DELETE CASCADE,
  FOREIGN KEY (student_id) REFERENCES students (id) ON DELETE CASCADE
);
