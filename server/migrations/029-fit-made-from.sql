-- A hash of what a fit was made from: as long as it is the same, the fit is too.
ALTER TABLE skill_fits ADD COLUMN IF NOT EXISTS made_from CHAR(40) CHARACTER SET ascii NOT NULL DEFAULT '';
