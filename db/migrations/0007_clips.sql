-- Up Migration

-- A short clip of what was found, for the customer's page. What kind it is was read from its bytes.
CREATE TABLE clips (
  job_id          uuid NOT NULL REFERENCES jobs,
  id              text NOT NULL CHECK (length(id) BETWEEN 8 AND 64),
  mime            text NOT NULL CHECK (mime IN ('video/mp4', 'video/webm')),
  bytes           bytea NOT NULL CHECK (length(bytes) <= 26214400),
  created_at      timestamptz NOT NULL DEFAULT now(),
  created_by      text NOT NULL,
  created_by_user text NOT NULL REFERENCES users,
  PRIMARY KEY (job_id, id)
);
GRANT SELECT, INSERT ON clips TO pelvik_app;

-- Down Migration

DROP TABLE clips;
