-- Up Migration

-- One row: which course of this database's history this is. A backup that is brought back begins another, so that a
-- device that kept something of the one before notices.
CREATE TABLE generation (
  only_one boolean PRIMARY KEY DEFAULT true CHECK (only_one),
  id       uuid NOT NULL DEFAULT gen_random_uuid(),
  since    timestamptz NOT NULL DEFAULT now()
);
INSERT INTO generation DEFAULT VALUES;
GRANT SELECT ON generation TO pelvik_app;

-- Locks what a person leaves unsent on a shared device, until that person signs in there again.
ALTER TABLE users ADD COLUMN device_key bytea NOT NULL
  DEFAULT decode(replace(gen_random_uuid()::text || gen_random_uuid()::text, '-', ''), 'hex') CHECK (length(device_key) = 32);
