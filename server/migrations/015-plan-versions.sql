-- What plans have been. A state is stored once, whoever has it, under the hash of its canonical text.
CREATE TABLE IF NOT EXISTS plan_contents (
  hash CHAR(64) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  title VARCHAR(80) NOT NULL,
  body JSON NOT NULL,
  shape SMALLINT UNSIGNED NOT NULL
);

-- A state of one plan that counts. `seq` is the order in which they came; `is_open` ones are told to whoever sees the plan.
CREATE TABLE IF NOT EXISTS plan_versions (
  seq BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  id CHAR(36) CHARACTER SET ascii NOT NULL,
  plan_id CHAR(36) CHARACTER SET ascii NOT NULL,
  hash CHAR(64) CHARACTER SET ascii NOT NULL,
  why ENUM('named', 'shared', 'copied', 'taught', 'proposed', 'merged', 'kept') NOT NULL,
  note VARCHAR(500) NOT NULL,
  is_open TINYINT(1) NOT NULL,
  -- The state of the plan's own counter that it was made of.
  plan_version INT UNSIGNED NOT NULL,
  author_id CHAR(36) CHARACTER SET ascii NULL,
  author_name VARCHAR(80) NOT NULL,
  made_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  parent_id CHAR(36) CHARACTER SET ascii NULL,
  merged_id CHAR(36) CHARACTER SET ascii NULL,
  UNIQUE KEY plan_versions_id (id),
  KEY plan_versions_plan (plan_id, seq),
  KEY plan_versions_hash (hash),
  FOREIGN KEY (plan_id) REFERENCES plans (id) ON DELETE CASCADE,
  FOREIGN KEY (hash) REFERENCES plan_contents (hash),
  FOREIGN KEY (author_id) REFERENCES users (id) ON DELETE SET NULL,
  FOREIGN KEY (parent_id) REFERENCES plan_versions (id) ON DELETE SET NULL,
  FOREIGN KEY (merged_id) REFERENCES plan_versions (id) ON DELETE SET NULL
);

-- Of a copy: the state of its origin that it last took up, and the last one of which it wants to hear no more.
ALTER TABLE plans
  ADD COLUMN IF NOT EXISTS base_hash CHAR(64) CHARACTER SET ascii NULL,
  ADD COLUMN IF NOT EXISTS base_seq BIGINT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS passed_seq BIGINT UNSIGNED NULL,
  ADD KEY IF NOT EXISTS plans_origin (origin_plan_id),
  ADD CONSTRAINT plans_base FOREIGN KEY IF NOT EXISTS (base_hash) REFERENCES plan_contents (hash);

-- The version of its plan that a lesson was taught by.
ALTER TABLE lessons ADD COLUMN IF NOT EXISTS taught_seq BIGINT UNSIGNED NULL;

CREATE TABLE IF NOT EXISTS plan_proposals (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  plan_id CHAR(36) CHARACTER SET ascii NOT NULL,
  from_plan_id CHAR(36) CHARACTER SET ascii NULL,
  hash CHAR(64) CHARACTER SET ascii NOT NULL,
  base_hash CHAR(64) CHARACTER SET ascii NULL,
  author_id CHAR(36) CHARACTER SET ascii NOT NULL,
  note VARCHAR(500) NOT NULL,
  state ENUM('open', 'taken', 'declined') NOT NULL DEFAULT 'open',
  answer VARCHAR(500) NOT NULL DEFAULT '',
  made_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  answered_at DATETIME(3) NULL,
  KEY plan_proposals_plan (plan_id, state, made_at),
  KEY plan_proposals_author (author_id, answered_at),
  FOREIGN KEY (plan_id) REFERENCES plans (id) ON DELETE CASCADE,
  FOREIGN KEY (from_plan_id) REFERENCES plans (id) ON DELETE SET NULL,
  FOREIGN KEY (hash) REFERENCES plan_contents (hash),
  FOREIGN KEY (base_hash) REFERENCES plan_contents (hash),
  FOREIGN KEY (author_id) REFERENCES users (id) ON DELETE CASCADE
);

-- What is asked or said of a plan or one of its blocks. Answers hang on the comment that began.
CREATE TABLE IF NOT EXISTS plan_comments (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  plan_id CHAR(36) CHARACTER SET ascii NOT NULL,
  block_id CHAR(36) CHARACTER SET ascii NULL,
  answers CHAR(36) CHARACTER SET ascii NULL,
  author_id CHAR(36) CHARACTER SET ascii NOT NULL,
  text VARCHAR(1000) NOT NULL,
  made_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  settled_at DATETIME(3) NULL,
  KEY plan_comments_plan (plan_id, made_at),
  KEY plan_comments_author (author_id),
  FOREIGN KEY (plan_id) REFERENCES plans (id) ON DELETE CASCADE,
  FOREIGN KEY (answers) REFERENCES plan_comments (id) ON DELETE CASCADE,
  FOREIGN KEY (author_id) REFERENCES users (id) ON DELETE CASCADE
);

-- Until when a user has seen what was told him of shared plans.
ALTER TABLE users ADD COLUMN IF NOT EXISTS news_seen_at DATETIME(3) NULL;

-- What a copy took is known by its hash now.
ALTER TABLE plans DROP COLUMN IF EXISTS origin_version;
