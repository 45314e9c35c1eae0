-- A letter that is to go out: a job that one process claims, and that is tried again until it went. It goes when it is sent.
CREATE TABLE IF NOT EXISTS mails (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  kind VARCHAR(20) CHARACTER SET ascii NOT NULL,
  address VARCHAR(190) NOT NULL,
  facts JSON NOT NULL,
  queued_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  due_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  tries SMALLINT UNSIGNED NOT NULL DEFAULT 0,
  claim CHAR(36) CHARACTER SET ascii NULL,
  claimed_until DATETIME(3) NULL,
  KEY mails_due (due_at),
  KEY mails_claim (claim),
  KEY mails_address (address)
);

-- Letters as the mailbox of the demo got them.
CREATE TABLE IF NOT EXISTS stand_in_mails (
  seq BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  message_id VARCHAR(190) CHARACTER SET ascii NOT NULL,
  address VARCHAR(190) NOT NULL,
  subject VARCHAR(200) NOT NULL,
  text TEXT NOT NULL,
  arrived_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  UNIQUE KEY stand_in_mails_message (message_id)
);

-- Links by which a lost password is replaced. Of the token only its SHA-256 is kept.
CREATE TABLE IF NOT EXISTS password_links (
  token_hash CHAR(64) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  user_id CHAR(36) CHARACTER SET ascii NOT NULL,
  asked_at DATETIME(3) NOT NULL,
  until_at DATETIME(3) NOT NULL,
  used_at DATETIME(3) NULL,
  KEY password_links_user (user_id, asked_at),
  FOREIGN KEY (user_id) REFERENCES users (id) ON DELETE CASCADE
);

-- The second factor: its secret is sealed, and counts once it was tried. The last step that was used is used no more.
ALTER TABLE users
  ADD COLUMN IF NOT EXISTS totp_secret VARCHAR(200) CHARACTER SET ascii NULL,
  ADD COLUMN IF NOT EXISTS totp_on TINYINT(1) NOT NULL DEFAULT 0,
  ADD COLUMN IF NOT EXISTS totp_step BIGINT UNSIGNED NULL;

CREATE TABLE IF NOT EXISTS spare_codes (
  user_id CHAR(36) CHARACTER SET ascii NOT NULL,
  code_hash CHAR(64) CHARACTER SET ascii NOT NULL,
  PRIMARY KEY (user_id, code_hash),
  FOREIGN KEY (user_id) REFERENCES users (id) ON DELETE CASCADE
);

-- Accounts asked for, until the link of their letter is opened. Of the token only its SHA-256 is kept, from when it is sent.
CREATE TABLE IF NOT EXISTS asked_accounts (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  email VARCHAR(190) NOT NULL,
  name VARCHAR(80) NOT NULL,
  password_hash VARCHAR(200) NOT NULL,
  token_hash CHAR(64) CHARACTER SET ascii NULL,
  asked_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  UNIQUE KEY asked_accounts_token (token_hash),
  KEY asked_accounts_email (email),
  KEY asked_accounts_time (asked_at)
);
