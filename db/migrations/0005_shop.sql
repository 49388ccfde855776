-- Up Migration

-- What the shop charges and promises, version by version: the newest stands, none is changed.
CREATE TABLE shop_terms (
  version         integer PRIMARY KEY CHECK (version > 0),
  terms           jsonb NOT NULL,
  created_at      timestamptz NOT NULL DEFAULT now(),
  created_by      text NOT NULL,
  created_by_user text REFERENCES users
);
CREATE TRIGGER shop_terms_append_only BEFORE UPDATE OR DELETE ON shop_terms FOR EACH ROW EXECUTE FUNCTION refuse_change();
GRANT SELECT, INSERT ON shop_terms TO pelvik_app;

-- Work promised to customers is the queue before everybody else.
CREATE INDEX jobs_promised_work ON jobs (id) WHERE NOT closed AND (quoted ->> 'accepted') = 'true';

-- What is promised for today or earlier is counted at every look at the board.
CREATE INDEX jobs_promised ON jobs ((summary ->> 'promised')) WHERE NOT closed AND stage <> 'release';

-- Down Migration

DROP INDEX jobs_promised_work, jobs_promised;
DROP TABLE shop_terms;
