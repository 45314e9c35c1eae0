-- A link by which one person joins a circle. Of its token only the SHA-256 is kept.
CREATE TABLE IF NOT EXISTS circle_links (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  circle_id CHAR(36) CHARACTER SET ascii NOT NULL,
  role ENUM('owner', 'editor', 'reader') NOT NULL,
  token_hash CHAR(64) CHARACTER SET ascii NOT NULL,
  made_by CHAR(36) CHARACTER SET ascii NULL,
  made_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  until_at DATETIME(3) NOT NULL,
  used_at DATETIME(3) NULL,
  UNIQUE KEY circle_links_token (token_hash),
  KEY circle_links_circle (circle_id, until_at),
  FOREIGN KEY (circle_id) REFERENCES circles (id) ON DELETE CASCADE,
  FOREIGN KEY (made_by) REFERENCES users (id) ON DELETE SET NULL
);

-- The link in the letter that asks an address.
ALTER TABLE circle_invitations
  ADD COLUMN IF NOT EXISTS token_hash CHAR(64) CHARACTER SET ascii NULL,
  ADD UNIQUE KEY IF NOT EXISTS circle_invitations_token (token_hash);
