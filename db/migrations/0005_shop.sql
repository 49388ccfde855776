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

-- The shop answers questions in the same thread.
ALTER TABLE quote_answers DROP CONSTRAINT quote_answers_kind_check;
ALTER TABLE quote_answers ADD CONSTRAINT quote_answers_kind_check CHECK (kind IN ('accept', 'decline', 'ask', 'reply'));

-- What was sent to customers, how, and to whom. The link itself stands in the message that went out and nowhere else.
CREATE TABLE quote_messages (
  id       bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  quote_id uuid NOT NULL REFERENCES quotes,
  kind     text NOT NULL CHECK (kind IN ('quote', 'reminder', 'by-hand')),
  sent_to  text NOT NULL CHECK (length(sent_to) <= 200),
  at       timestamptz NOT NULL DEFAULT now(),
  by_name  text NOT NULL,
  by_user  text NOT NULL REFERENCES users
);
CREATE INDEX quote_messages_by_quote ON quote_messages (quote_id);
CREATE TRIGGER messages_append_only BEFORE UPDATE OR DELETE ON quote_messages FOR EACH ROW EXECUTE FUNCTION refuse_change();
GRANT SELECT, INSERT ON quote_messages TO pelvik_app;

-- What is promised for today or earlier is counted at every look at the board.
CREATE INDEX jobs_promised ON jobs ((summary ->> 'promised')) WHERE NOT closed AND stage <> 'release';
