-- What lists tell of a plan, without reading all of it.
ALTER TABLE plans
  ADD COLUMN IF NOT EXISTS aim TEXT AS (JSON_VALUE(body, '$.aim')) STORED,
  ADD COLUMN IF NOT EXISTS length_min SMALLINT UNSIGNED AS (JSON_VALUE(body, '$.lengthMin')) STORED,
  ADD COLUMN IF NOT EXISTS block_count SMALLINT UNSIGNED AS (JSON_LENGTH(body, '$.blocks')) STORED,
  ADD COLUMN IF NOT EXISTS group_size SMALLINT UNSIGNED AS (JSON_VALUE(body, '$.groupSize')) STORED,
  ADD COLUMN IF NOT EXISTS water_kind VARCHAR(20) CHARACTER SET ascii AS (JSON_VALUE(body, '$.waterKind')) STORED;
-- Those of which words and strands are to be gathered are found without looking at all others.
ALTER TABLE plans
  ADD COLUMN IF NOT EXISTS ungathered BOOLEAN AS (words IS NULL) STORED,
  ADD KEY IF NOT EXISTS plans_ungathered (ungathered);
