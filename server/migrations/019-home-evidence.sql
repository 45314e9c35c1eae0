-- How far attempts at home are believed, learned by the last fit.
ALTER TABLE fit_job ADD COLUMN IF NOT EXISTS home VARCHAR(200) CHARACTER SET ascii NULL;
