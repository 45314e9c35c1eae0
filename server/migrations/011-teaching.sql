-- What an instructor or a circle teaches, laid over what ships. One layer each; every version of it stays.
CREATE TABLE IF NOT EXISTS layers (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  user_id CHAR(36) CHARACTER SET ascii NULL,
  circle_id CHAR(36) CHARACTER SET ascii NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  -- Circle to whose members an instructor shows his layer.
  shown_to CHAR(36) CHARACTER SET ascii NULL,
  UNIQUE KEY layers_user (user_id),
  UNIQUE KEY layers_circle (circle_id),
  KEY layers_shown (shown_to),
  FOREIGN KEY (user_id) REFERENCES users (id) ON DELETE CASCADE,
  FOREIGN KEY (circle_id) REFERENCES circles (id) ON DELETE CASCADE,
  FOREIGN KEY (shown_to) REFERENCES circles (id) ON DELETE SET NULL
);

CREATE TABLE IF NOT EXISTS layer_versions (
  layer_id CHAR(36) CHARACTER SET ascii NOT NULL,
  version INT UNSIGNED NOT NULL,
  body JSON NOT NULL,
  shape SMALLINT UNSIGNED NOT NULL,
  saved_by CHAR(36) CHARACTER SET ascii NULL,
  saved_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  PRIMARY KEY (layer_id, version),
  FOREIGN KEY (layer_id) REFERENCES layers (id) ON DELETE CASCADE,
  FOREIGN KEY (saved_by) REFERENCES users (id) ON DELETE SET NULL
);

-- Circle by whose layer an instructor teaches; while he said nothing, the one he is in that has a layer.
ALTER TABLE users
  ADD COLUMN IF NOT EXISTS teaches_by CHAR(36) CHARACTER SET ascii NULL,
  ADD COLUMN IF NOT EXISTS teaches_by_said TINYINT(1) NOT NULL DEFAULT 0,
  ADD CONSTRAINT users_teaches_by FOREIGN KEY IF NOT EXISTS (teaches_by) REFERENCES circles (id) ON DELETE SET NULL;
