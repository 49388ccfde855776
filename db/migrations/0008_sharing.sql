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

-- Takes who the customer is out of a job: out of its record, its quotes, their answers, papers and messages. What was found
-- stays. A name is taken out of every text it stands in, whole in any case, and its longer words as they are written.
CREATE OR REPLACE FUNCTION erase_customer(job uuid) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  said record;
  pattern text;
BEGIN
  PERFORM set_config('pelvik.erasing', 'on', true);
  FOR said IN
    WITH names AS (
      SELECT value #>> '{}' AS name FROM entries WHERE job_id = job AND slot = 'customer.name'
      UNION
      SELECT a.name FROM quote_answers a JOIN quotes q ON q.id = a.quote_id WHERE q.job_id = job AND a.kind <> 'reply'
    ), marks AS (
      SELECT value #>> '{}' AS mark FROM entries
      WHERE job_id = job AND slot IN ('customer.phone', 'vehicle.plate', 'vehicle.serial')
    )
    SELECT word, bool_or(whole) AS whole FROM (
      SELECT name AS word, true AS whole FROM names WHERE name <> 'Erased on request'
      UNION ALL
      SELECT regexp_split_to_table(name, '\s+'), false FROM names WHERE name <> 'Erased on request'
      UNION ALL
      SELECT mark, true FROM marks
    ) AS w
    WHERE length(word) >= 4 AND (whole OR word ~ '^[[:upper:]]')
    GROUP BY word ORDER BY length(word) DESC
  LOOP
    -- As JSON writes it, and every sign for itself.
    pattern := '(?' || CASE WHEN said.whole THEN 'i' ELSE 'c' END || ')(?<!\w)'
      || regexp_replace(substr(to_jsonb(said.word)::text, 2, length(to_jsonb(said.word)::text) - 2), '([^[:alnum:][:space:]])', '\\\1', 'g')
      || '(?!\w)';
    UPDATE entries SET value = regexp_replace(value::text, pattern, 'the customer', 'g')::jsonb
    WHERE job_id = job AND value::text ~ pattern;
    UPDATE quotes SET content = regexp_replace(content::text, pattern, 'the customer', 'g')::jsonb
    WHERE job_id = job AND content::text ~ pattern;
  END LOOP;
  UPDATE entries SET value = CASE slot WHEN 'customer.name' THEN '"Erased on request"'::jsonb ELSE 'null'::jsonb END
  WHERE job_id = job AND (slot LIKE 'customer.%' OR slot IN ('vehicle.plate', 'vehicle.serial')) AND value <> 'null'::jsonb;
  UPDATE quotes SET content = jsonb_set(content, '{job,customer}', '"Erased on request"')
  WHERE job_id = job AND content -> 'job' ? 'customer';
  UPDATE quote_answers a SET name = 'Erased on request', message = ''
  FROM quotes q WHERE q.id = a.quote_id AND q.job_id = job;
  UPDATE quote_messages m SET sent_to = '' FROM quotes q WHERE q.id = m.quote_id AND q.job_id = job;
  UPDATE quote_links l SET revoked_at = COALESCE(l.revoked_at, now()) FROM quotes q WHERE q.id = l.quote_id AND q.job_id = job;
  DELETE FROM quote_pdfs p USING quotes q WHERE q.id = p.quote_id AND q.job_id = job;
  UPDATE jobs SET erased_at = now() WHERE id = job;
  PERFORM set_config('pelvik.erasing', 'off', true);
END $$;

-- What a job's record weighs, counted as it grows: what it holds must fit into one case file.
ALTER TABLE jobs ADD COLUMN record_bytes bigint NOT NULL DEFAULT 0;
UPDATE jobs j SET record_bytes = COALESCE((SELECT sum(length(e.value::text) + length(e.slot)) FROM entries e WHERE e.job_id = j.id), 0);
