-- Of a student without a birthday somebody may say that he is of age.
ALTER TABLE students ADD COLUMN IF NOT EXISTS said_adult TINYINT(1) NOT NULL DEFAULT 0;
