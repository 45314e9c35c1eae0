-- How tall a student is, for wading; kept only when somebody said it.
ALTER TABLE students ADD COLUMN IF NOT EXISTS height_m DECIMAL(3, 2) NULL;
