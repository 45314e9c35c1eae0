-- A code by which somebody helps in one lesson without an account. One a lesson; of its token only the SHA-256 is kept.
CREATE TABLE IF NOT EXISTS assistant_links (
  lesson_id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  token_hash CHAR(64) CHARACTER SET ascii NOT NULL,
  made_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  UNIQUE KEY assistant_links_token (token_hash),
  FOREIGN KEY (lesson_id) REFERENCES lessons (id) ON DELETE CASCADE
);

-- Whoever helps is a user of one lesson: without an address that anybody has, and without a password.
ALTER TABLE users
  ADD COLUMN IF NOT EXISTS assists_lesson_id CHAR(36) CHARACTER SET ascii NULL,
  ADD COLUMN IF NOT EXISTS assists_ended_at DATETIME(3) NULL,
  ADD CONSTRAINT users_assists FOREIGN KEY IF NOT EXISTS (assists_lesson_id) REFERENCES lessons (id) ON DELETE CASCADE;
