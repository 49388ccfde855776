-- Up Migration

-- The application signs in as a role that owns nothing: it can neither alter a table nor empty one.
DO $$ BEGIN
  IF NOT EXISTS (SELECT 1 FROM pg_roles WHERE rolname = 'pelvik_app') THEN CREATE ROLE pelvik_app NOLOGIN; END IF;
END $$;

-- Who wrote, as a person of this shop, beside the name as it was printed then.
-- What came in with a file is the importer's to answer for; `source` says who wrote it there, and when.
-- `seen` is the last entry of the job its writer knew: what another wrote after it was written without knowing.
ALTER TABLE entries ADD COLUMN by_user text REFERENCES users, ADD COLUMN source jsonb,
  ADD COLUMN seen integer CHECK (seen >= 0 AND seen < seq);
ALTER TABLE photos ADD COLUMN created_by_user text REFERENCES users;
ALTER TABLE quotes ADD COLUMN created_by_user text REFERENCES users;
ALTER TABLE entries DISABLE TRIGGER entries_append_only;
UPDATE entries e SET by_user = u.id FROM users u WHERE u.name = e.by_name;
ALTER TABLE entries ENABLE TRIGGER entries_append_only;
UPDATE photos p SET created_by_user = u.id FROM users u WHERE u.name = p.created_by;
UPDATE quotes q SET created_by_user = u.id FROM users u WHERE u.name = q.created_by;
-- Rows older than this may name somebody this shop does not know; every new one names its writer.
ALTER TABLE entries ADD CONSTRAINT entries_writer CHECK (by_user IS NOT NULL) NOT VALID;
ALTER TABLE photos ADD CONSTRAINT photos_writer CHECK (created_by_user IS NOT NULL) NOT VALID;
ALTER TABLE quotes ADD CONSTRAINT quotes_writer CHECK (created_by_user IS NOT NULL) NOT VALID;

-- A quote that came in with a file is history: nobody can send it, accept it or build by it.
ALTER TABLE quotes ADD COLUMN imported boolean NOT NULL DEFAULT false;
DROP INDEX quotes_one_accepted;
CREATE UNIQUE INDEX quotes_one_accepted ON quotes (job_id) WHERE status = 'accepted' AND NOT imported;

-- An accepted quote changes in one way only: a later acceptance takes its place.
CREATE OR REPLACE FUNCTION guard_quote() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF current_setting('pelvik.erasing', true) = 'on' AND TG_OP = 'UPDATE' AND current_user = pg_get_userbyid(
       (SELECT relowner FROM pg_class WHERE oid = TG_RELID)) THEN
    RETURN NEW;
  END IF;
  IF TG_OP = 'DELETE' OR NEW.content IS DISTINCT FROM OLD.content OR NEW.version <> OLD.version
     OR NEW.job_id <> OLD.job_id OR NEW.imported <> OLD.imported
     OR (OLD.status = 'accepted' AND NEW.status NOT IN ('accepted', 'superseded'))
     OR (OLD.status = 'superseded' AND NEW.status <> 'superseded') THEN
    RAISE EXCEPTION 'quote % version % is frozen', OLD.job_id, OLD.version;
  END IF;
  RETURN NEW;
END $$;

-- What the board shows of a job's quotes, worked out when one is made or answered.
ALTER TABLE jobs ADD COLUMN quoted jsonb, ADD COLUMN closed_at timestamptz, ADD COLUMN erased_at timestamptz;
UPDATE jobs j SET quoted = (
  SELECT jsonb_build_object('accepted', q.status = 'accepted', 'total', (
    SELECT (o ->> 'total')::bigint
    FROM jsonb_array_elements(CASE jsonb_typeof(q.content -> 'options') WHEN 'array' THEN q.content -> 'options' ELSE '[]' END)
         WITH ORDINALITY AS t (o, n)
    WHERE n = 1 OR o ->> 'id' = a.option ORDER BY (o ->> 'id' = a.option) DESC NULLS LAST LIMIT 1))
  FROM quotes q LEFT JOIN quote_answers a ON a.quote_id = q.id AND a.kind = 'accept'
  WHERE q.job_id = j.id AND q.status <> 'superseded'
  ORDER BY (q.status = 'accepted') DESC, q.version DESC LIMIT 1);
UPDATE jobs SET quoted = NULL WHERE quoted ->> 'total' IS NULL;

CREATE EXTENSION IF NOT EXISTS pg_trgm;
UPDATE jobs SET search = search || ' ' || number;
CREATE INDEX jobs_search ON jobs USING gin (search gin_trgm_ops);
DROP INDEX jobs_open;
CREATE INDEX jobs_by_stage ON jobs (closed, stage, updated_at DESC);
CREATE INDEX quote_links_by_quote ON quote_links (quote_id);
CREATE INDEX audit_by_time ON audit (at DESC);

-- Sessions: what a person sees of their own, and when one was last used.
ALTER TABLE sessions ADD COLUMN id uuid NOT NULL DEFAULT gen_random_uuid(),
  ADD COLUMN device text NOT NULL DEFAULT '' CHECK (length(device) <= 200),
  ADD COLUMN seen_at timestamptz NOT NULL DEFAULT now();
CREATE UNIQUE INDEX sessions_by_id ON sessions (id);

-- Attempts, counted where every server process sees them.
CREATE TABLE attempts (
  key    text PRIMARY KEY,
  points integer NOT NULL DEFAULT 0,
  expire bigint
);
ALTER TABLE users DROP COLUMN failures, DROP COLUMN locked_until;

-- A family's version numbers are never used again, so that what a process has read of one stays true.
CREATE TABLE unit_families (
  id           text PRIMARY KEY,
  last_version integer NOT NULL CHECK (last_version > 0)
);
INSERT INTO unit_families SELECT id, max(version) FROM units GROUP BY id;
ALTER TABLE units ADD FOREIGN KEY (id) REFERENCES unit_families;

-- Append-only, but for erasing a customer's personal data, which only the owner of the tables can do.
CREATE OR REPLACE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF current_setting('pelvik.erasing', true) = 'on' AND TG_OP = 'UPDATE' AND current_user = pg_get_userbyid(
       (SELECT relowner FROM pg_class WHERE oid = TG_RELID)) THEN
    RETURN NEW;
  END IF;
  RAISE EXCEPTION '% is append-only', TG_TABLE_NAME;
END $$;

-- Takes who the customer is out of a job: out of its record, its quotes and their answers. What was found stays.
CREATE FUNCTION erase_customer(job uuid) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  PERFORM set_config('pelvik.erasing', 'on', true);
  UPDATE entries SET value = CASE slot WHEN 'customer.name' THEN '"Erased on request"'::jsonb ELSE 'null'::jsonb END
  WHERE job_id = job AND (slot LIKE 'customer.%' OR slot = 'vehicle.plate') AND value <> 'null'::jsonb;
  UPDATE quotes SET content = jsonb_set(content, '{job,customer}', '"Erased on request"')
  WHERE job_id = job AND content -> 'job' ? 'customer';
  UPDATE quote_answers a SET name = 'Erased on request', message = ''
  FROM quotes q WHERE q.id = a.quote_id AND q.job_id = job;
  UPDATE quote_links l SET revoked_at = COALESCE(l.revoked_at, now()) FROM quotes q WHERE q.id = l.quote_id AND q.job_id = job;
  UPDATE jobs SET erased_at = now() WHERE id = job;
  PERFORM set_config('pelvik.erasing', 'off', true);
END $$;
REVOKE ALL ON FUNCTION erase_customer FROM PUBLIC;

REVOKE ALL ON SCHEMA public FROM PUBLIC;
GRANT USAGE ON SCHEMA public TO pelvik_app;
GRANT SELECT, INSERT ON users, sessions, jobs, entries, photos, quotes, quote_links, quote_answers, audit, units, unit_families, attempts TO pelvik_app;
GRANT UPDATE ON users, sessions, jobs, quotes, quote_links, unit_families, attempts TO pelvik_app;
GRANT DELETE ON attempts, units, sessions TO pelvik_app;
GRANT EXECUTE ON FUNCTION erase_customer TO pelvik_app;
