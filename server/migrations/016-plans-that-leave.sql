-- A plan leaves as a file or behind a link: what it was then is a version too.
ALTER TABLE plan_versions
  MODIFY COLUMN why ENUM('named', 'shared', 'copied', 'taught', 'proposed', 'merged', 'kept', 'sent') NOT NULL;

-- What a file told of the states of a plan before it came here, without what was in them.
ALTER TABLE plans ADD COLUMN IF NOT EXISTS told_lineage JSON NULL;

-- By a link somebody without an account reads one state of a plan. Of its token only the SHA-256 is kept.
CREATE TABLE IF NOT EXISTS plan_links (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  plan_id CHAR(36) CHARACTER SET ascii NOT NULL,
  token_hash CHAR(64) CHARACTER SET ascii NOT NULL,
  hash CHAR(64) CHARACTER SET ascii NOT NULL,
  made_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  until_at DATETIME(3) NOT NULL,
  revoked_at DATETIME(3) NULL,
  views INT UNSIGNED NOT NULL DEFAULT 0,
  viewed_at DATETIME(3) NULL,
  UNIQUE KEY plan_links_token (token_hash),
  KEY plan_links_plan (plan_id, made_at),
  FOREIGN KEY (plan_id) REFERENCES plans (id) ON DELETE CASCADE,
  FOREIGN KEY (hash) REFERENCES plan_contents (hash)
);
