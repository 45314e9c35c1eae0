-- Stretches of a river seen from above, as JSON.
CREATE TABLE IF NOT EXISTS beats (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  water_id CHAR(36) CHARACTER SET ascii NOT NULL,
  place TINYINT UNSIGNED NOT NULL,
  body JSON NOT NULL,
  KEY beats_water (water_id, place),
  FOREIGN KEY (water_id) REFERENCES waters (id) ON DELETE CASCADE
);
