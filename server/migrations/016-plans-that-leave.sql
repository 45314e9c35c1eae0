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

-- Whether a circle tells other schools how well drills worked, and lets itself be told.
ALTER TABLE circles ADD COLUMN IF NOT EXISTS tells_outcomes TINYINT(1) NOT NULL DEFAULT 0;

-- What an instructor's records say of a drill, in sums without anybody in them. He is counted in one circle only.
CREATE TABLE IF NOT EXISTS drill_outcomes (
  user_id CHAR(36) CHARACTER SET ascii NOT NULL,
  drill_id VARCHAR(60) CHARACTER SET ascii NOT NULL,
  circle_id CHAR(36) CHARACTER SET ascii NOT NULL,
  students INT UNSIGNED NOT NULL,
  lessons INT UNSIGNED NOT NULL,
  rise_sum DOUBLE NOT NULL,
  rise_squares DOUBLE NOT NULL,
  PRIMARY KEY (user_id, circle_id, drill_id),
  KEY drill_outcomes_circle (circle_id, drill_id),
  FOREIGN KEY (user_id) REFERENCES users (id) ON DELETE CASCADE,
  FOREIGN KEY (circle_id) REFERENCES circles (id) ON DELETE CASCADE
);

-- Up to which entry of his students an instructor's outcomes were added up.
ALTER TABLE users ADD COLUMN IF NOT EXISTS outcomes_seq BIGINT UNSIGNED NULL;

-- The words and strands by which a plan is found; null until they are gathered, which the first search does.
ALTER TABLE plans
  ADD COLUMN IF NOT EXISTS words TEXT NULL,
  ADD COLUMN IF NOT EXISTS strands VARCHAR(100) CHARACTER SET ascii NULL,
  ADD FULLTEXT KEY IF NOT EXISTS plans_words (words);
