-- Beats that can be drawn anew, still waters as they are drawn, and what was read over the station.
ALTER TABLE beats ADD COLUMN IF NOT EXISTS version INT UNSIGNED NOT NULL DEFAULT 1;

CREATE TABLE IF NOT EXISTS lakes (
  water_id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  body JSON NOT NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  FOREIGN KEY (water_id) REFERENCES waters (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS condition_readings (
  id CHAR(36) CHARACTER SET ascii NOT NULL,
  water_id CHAR(36) CHARACTER SET ascii NOT NULL,
  read_at DATETIME(3) NOT NULL,
  what VARCHAR(20) CHARACTER SET ascii NOT NULL,
  value DOUBLE NOT NULL,
  depth_m DOUBLE NULL,
  PRIMARY KEY (water_id, id),
  KEY condition_readings_time (water_id, read_at),
  FOREIGN KEY (water_id) REFERENCES waters (id) ON DELETE CASCADE
);
