-- What a student needs, of body, age or habit, as a list; the free note stays beside it.
ALTER TABLE students ADD COLUMN IF NOT EXISTS needs VARCHAR(400) CHARACTER SET ascii NOT NULL DEFAULT '[]';
