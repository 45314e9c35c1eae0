-- Which life of the data this is: a new one begins when a backup is brought back. `back_to` is when that was taken.
CREATE TABLE IF NOT EXISTS installation (
  id TINYINT UNSIGNED NOT NULL PRIMARY KEY,
  life CHAR(36) CHARACTER SET ascii NOT NULL,
  back_to DATETIME(3) NULL
);
INSERT IGNORE INTO installation (id, life) VALUES (1, UUID());

-- Who was deleted, and whose guardian said no, so that no backup brings them back. No name and no id, but what is found
-- when one has the id: its SHA-256.
CREATE TABLE IF NOT EXISTS deletions (
  kind ENUM ('student', 'account', 'consent') CHARACTER SET ascii NOT NULL,
  hash CHAR(64) CHARACTER SET ascii NOT NULL,
  -- False when it came again, as with a file, or a guardian's yes.
  is_gone BOOLEAN NOT NULL,
  at DATETIME(3) NOT NULL,
  PRIMARY KEY (hash, kind),
  KEY deletions_at (at)
);
