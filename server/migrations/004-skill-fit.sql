-- Learning parameters fitted to all records of the installation, one row a skill. No student is named.
CREATE TABLE IF NOT EXISTS skill_fits (
  skill_id VARCHAR(60) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  fit JSON NOT NULL
);

-- The one fit that may run at a time; `touched_at` moves while it runs, so that one that broke off is known.
CREATE TABLE IF NOT EXISTS fit_job (
  id TINYINT UNSIGNED NOT NULL PRIMARY KEY,
  state ENUM('never', 'running', 'done', 'failed') NOT NULL,
  done SMALLINT UNSIGNED NOT NULL,
  total SMALLINT UNSIGNED NOT NULL,
  started_at DATETIME(3) NULL,
  touched_at DATETIME(3) NULL,
  ended_at DATETIME(3) NULL
);
INSERT IGNORE INTO fit_job (id, state, done, total) VALUES (1, 'never', 0, 0);
