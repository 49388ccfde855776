-- Up Migration

-- What a closed job was committed to, where a look at it confirmed that: the shop's own experience with the unit.
ALTER TABLE jobs ADD COLUMN confirmed_cause text CHECK (length(confirmed_cause) <= 120);
CREATE INDEX jobs_by_experience ON jobs (unit_id, confirmed_cause) WHERE closed AND confirmed_cause IS NOT NULL;
