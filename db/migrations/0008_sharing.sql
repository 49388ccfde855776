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

-- A clip that was taken out of its job and that no quote shows makes room for another.
GRANT DELETE ON clips TO pelvik_app;

-- A version's paper, kept as it was made. Drawn anew from the quote at any time: nothing is lost with it.
CREATE TABLE quote_pdfs (
  quote_id uuid NOT NULL REFERENCES quotes,
  paper    text NOT NULL CHECK (paper IN ('A4', 'LETTER')),
  made_of  bytea NOT NULL,
  bytes    bytea NOT NULL,
  PRIMARY KEY (quote_id, paper)
);
ALTER TABLE quote_pdfs ALTER COLUMN bytes SET STORAGE EXTERNAL;
GRANT SELECT, INSERT, UPDATE, DELETE ON quote_pdfs TO pelvik_app;

-- A job that was closed and that its customer accepted afterwards: the board says so.
ALTER TABLE jobs ADD COLUMN reopened_at timestamptz;
