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
-- Players ask for pieces: kept as it is, a piece is read without the whole.
ALTER TABLE clips ALTER COLUMN bytes SET STORAGE EXTERNAL;
GRANT SELECT, INSERT ON clips TO pelvik_app;

-- Where messages went to names the customer as well.
CREATE OR REPLACE FUNCTION erase_customer(job uuid) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  PERFORM set_config('pelvik.erasing', 'on', true);
  UPDATE entries SET value = CASE slot WHEN 'customer.name' THEN '"Erased on request"'::jsonb ELSE 'null'::jsonb END
  WHERE job_id = job AND (slot LIKE 'customer.%' OR slot = 'vehicle.plate') AND value <> 'null'::jsonb;
  UPDATE quotes SET content = jsonb_set(content, '{job,customer}', '"Erased on request"')
  WHERE job_id = job AND content -> 'job' ? 'customer';
  UPDATE quote_answers a SET name = 'Erased on request', message = ''
  FROM quotes q WHERE q.id = a.quote_id AND q.job_id = job;
  UPDATE quote_messages m SET sent_to = '' FROM quotes q WHERE q.id = m.quote_id AND q.job_id = job;
  UPDATE quote_links l SET revoked_at = COALESCE(l.revoked_at, now()) FROM quotes q WHERE q.id = l.quote_id AND q.job_id = job;
  UPDATE jobs SET erased_at = now() WHERE id = job;
  PERFORM set_config('pelvik.erasing', 'off', true);
END $$;
