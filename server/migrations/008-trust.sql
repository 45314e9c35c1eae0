-- Accounts that an administrator closed, and what seals a device's unsent entries while nobody is signed in there.
ALTER TABLE users
  ADD COLUMN IF NOT EXISTS admin TINYINT(1) NOT NULL DEFAULT 0,
  ADD COLUMN IF NOT EXISTS blocked_at DATETIME(3) NULL,
  ADD COLUMN IF NOT EXISTS device_key CHAR(44) CHARACTER SET ascii NULL;

-- Sessions belong to a user, and end for good some day however often they are used.
ALTER TABLE sessions
  ADD COLUMN IF NOT EXISTS user_id CHAR(36) CHARACTER SET ascii NULL,
  ADD COLUMN IF NOT EXISTS ends INT UNSIGNED NOT NULL DEFAULT 0,
  ADD KEY IF NOT EXISTS sessions_user (user_id),
  ADD CONSTRAINT sessions_user FOREIGN KEY IF NOT EXISTS (user_id) REFERENCES users (id) ON DELETE CASCADE;
UPDATE sessions s JOIN users u ON u.id = JSON_VALUE(s.data, '$.userId')
  SET s.user_id = u.id, s.ends = UNIX_TIMESTAMP() + 7776000
  WHERE s.ends = 0;
DELETE FROM sessions WHERE user_id IS NULL;

-- Failed tries and new accounts, counted for a while by address, by e-mail and over all.
DROP TABLE IF EXISTS rate_limits;
CREATE TABLE IF NOT EXISTS limits (
  id VARCHAR(255) NOT NULL PRIMARY KEY,
  points INT NOT NULL,
  expires_ms BIGINT UNSIGNED NOT NULL,
  KEY limits_expires (expires_ms)
);

-- What was loaded once and for all, as the demo scenario.
CREATE TABLE IF NOT EXISTS loaded (
  what VARCHAR(20) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  loaded_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3)
);
INSERT IGNORE INTO loaded (what) SELECT 'demo' FROM users WHERE email = 'lead@ternalder.example';

-- A circle asks; who is asked says yes or no. Whether the address has an account is nobody's business.
CREATE TABLE IF NOT EXISTS circle_invitations (
  circle_id CHAR(36) CHARACTER SET ascii NOT NULL,
  email VARCHAR(190) NOT NULL,
  role ENUM('owner', 'editor', 'reader') NOT NULL,
  invited_by CHAR(36) CHARACTER SET ascii NULL,
  invited_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  PRIMARY KEY (circle_id, email),
  KEY circle_invitations_email (email),
  FOREIGN KEY (circle_id) REFERENCES circles (id) ON DELETE CASCADE,
  FOREIGN KEY (invited_by) REFERENCES users (id) ON DELETE SET NULL
);

-- Stored documents say in which shape they were written; what reads them brings old ones up to date.
ALTER TABLE plans ADD COLUMN IF NOT EXISTS shape SMALLINT UNSIGNED NOT NULL DEFAULT 1;
ALTER TABLE rigs ADD COLUMN IF NOT EXISTS shape SMALLINT UNSIGNED NOT NULL DEFAULT 1;
ALTER TABLE waters ADD COLUMN IF NOT EXISTS shape SMALLINT UNSIGNED NOT NULL DEFAULT 1;
ALTER TABLE beats ADD COLUMN IF NOT EXISTS shape SMALLINT UNSIGNED NOT NULL DEFAULT 1;
ALTER TABLE lakes ADD COLUMN IF NOT EXISTS shape SMALLINT UNSIGNED NOT NULL DEFAULT 1;
ALTER TABLE fly_boxes ADD COLUMN IF NOT EXISTS shape SMALLINT UNSIGNED NOT NULL DEFAULT 1;
ALTER TABLE readings ADD COLUMN IF NOT EXISTS shape SMALLINT UNSIGNED NOT NULL DEFAULT 1;

-- How far the device's clock was ahead of the server's when it sent an event. Who recorded it may leave.
ALTER TABLE events DROP FOREIGN KEY IF EXISTS events_ibfk_1;
ALTER TABLE events DROP FOREIGN KEY IF EXISTS events_ibfk_3;
ALTER TABLE events
  ADD COLUMN IF NOT EXISTS shape SMALLINT UNSIGNED NOT NULL DEFAULT 1,
  ADD COLUMN IF NOT EXISTS clock_ahead_ms BIGINT NOT NULL DEFAULT 0,
  MODIFY recorded_by CHAR(36) CHARACTER SET ascii NULL;
ALTER TABLE events
  ADD CONSTRAINT events_lesson_of FOREIGN KEY IF NOT EXISTS (lesson_id) REFERENCES lessons (id) ON DELETE CASCADE;
ALTER TABLE events
  ADD CONSTRAINT events_recorded_by FOREIGN KEY IF NOT EXISTS (recorded_by) REFERENCES users (id) ON DELETE SET NULL;
-- Events dated later than they came have come from a clock that was ahead: they happened when they came.
UPDATE events
  SET clock_ahead_ms = at_ms - TIMESTAMPDIFF(MICROSECOND, '1970-01-01', received_at) DIV 1000
  WHERE clock_ahead_ms = 0 AND at_ms > TIMESTAMPDIFF(MICROSECOND, '1970-01-01', received_at) DIV 1000 + 300000;

-- A lesson keeps the plan as it is taught, whatever becomes of the plan.
ALTER TABLE lessons
  ADD COLUMN IF NOT EXISTS plan_title VARCHAR(80) NULL,
  ADD COLUMN IF NOT EXISTS plan_body JSON NULL,
  ADD COLUMN IF NOT EXISTS plan_shape SMALLINT UNSIGNED NOT NULL DEFAULT 1,
  ADD COLUMN IF NOT EXISTS plan_version INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS length_min SMALLINT UNSIGNED NULL;
UPDATE lessons l JOIN plans p ON p.id = l.plan_id
  SET l.plan_title = p.title, l.plan_body = p.body, l.plan_shape = p.shape, l.plan_version = p.version,
    l.length_min = JSON_VALUE(p.body, '$.lengthMin')
  WHERE l.plan_body IS NULL;
ALTER TABLE lessons DROP CONSTRAINT IF EXISTS lessons_taught_or_taken;
ALTER TABLE lessons DROP FOREIGN KEY IF EXISTS lessons_ibfk_2;
ALTER TABLE lessons DROP FOREIGN KEY IF EXISTS lessons_ibfk_3;
ALTER TABLE lessons
  ADD CONSTRAINT lessons_plan_of FOREIGN KEY IF NOT EXISTS (plan_id) REFERENCES plans (id) ON DELETE SET NULL;
ALTER TABLE lessons
  ADD CONSTRAINT lessons_water_of FOREIGN KEY IF NOT EXISTS (water_id) REFERENCES waters (id) ON DELETE SET NULL;

-- Who read what at a water, and when it was put in.
ALTER TABLE condition_readings
  ADD COLUMN IF NOT EXISTS author_id CHAR(36) CHARACTER SET ascii NULL,
  ADD COLUMN IF NOT EXISTS entered_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  ADD CONSTRAINT condition_readings_author FOREIGN KEY IF NOT EXISTS (author_id) REFERENCES users (id) ON DELETE SET NULL;
