-- Lessons that came with a student's file were taught elsewhere: they have a title and a water by name, no plan.
ALTER TABLE lessons
  MODIFY plan_id CHAR(36) CHARACTER SET ascii NULL,
  MODIFY water_id CHAR(36) CHARACTER SET ascii NULL,
  ADD COLUMN IF NOT EXISTS taken_title VARCHAR(80) NULL,
  ADD COLUMN IF NOT EXISTS taken_water VARCHAR(80) NULL,
  ADD CONSTRAINT IF NOT EXISTS lessons_taught_or_taken CHECK (
    (plan_id IS NOT NULL AND water_id IS NOT NULL) OR (taken_title IS NOT NULL AND taken_water IS NOT NULL)
  );
