-- Up Migration

CREATE TABLE users (
  id            text PRIMARY KEY CHECK (id ~ '^[a-z][a-z0-9.-]{1,39}$'),
  name          text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
  role          text NOT NULL CHECK (role IN ('technician', 'counter', 'owner')),
  password_hash text NOT NULL,
  active        boolean NOT NULL DEFAULT true,
  failures      integer NOT NULL DEFAULT 0,
  locked_until  timestamptz
);

-- Only a hash of the cookie's token is kept, so a stolen table opens nothing.
CREATE TABLE sessions (
  token_hash bytea PRIMARY KEY,
  user_id    text NOT NULL REFERENCES users,
  created_at timestamptz NOT NULL DEFAULT now(),
  expires_at timestamptz NOT NULL,
  revoked_at timestamptz
);
CREATE INDEX sessions_by_user ON sessions (user_id);

CREATE TABLE jobs (
  id           uuid PRIMARY KEY,
  number       integer GENERATED ALWAYS AS IDENTITY (START WITH 1001) UNIQUE,
  unit_id      text NOT NULL,
  last_seq     integer NOT NULL DEFAULT 0 CHECK (last_seq >= 0),
  -- The fold of the entries, with the version of the fold that made it.
  snapshot     jsonb NOT NULL DEFAULT '{}',
  fold_version integer NOT NULL,
  stage        text NOT NULL,
  summary      jsonb NOT NULL,
  search       text NOT NULL DEFAULT '',
  closed       boolean NOT NULL DEFAULT false,
  created_at   timestamptz NOT NULL DEFAULT now(),
  created_by   text NOT NULL REFERENCES users,
  updated_at   timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX jobs_open ON jobs (updated_at DESC) WHERE NOT closed;

-- Append-only: one write to one slot. seq is given under the job's row lock; id is the client's.
CREATE TABLE entries (
  job_id  uuid NOT NULL REFERENCES jobs,
  seq     integer NOT NULL CHECK (seq > 0),
  id      text NOT NULL CHECK (length(id) BETWEEN 8 AND 64),
  by_name text NOT NULL,
  at      timestamptz NOT NULL DEFAULT now(),
  slot    text NOT NULL CHECK (length(slot) BETWEEN 1 AND 200),
  value   jsonb NOT NULL,
  PRIMARY KEY (job_id, seq),
  UNIQUE (job_id, id)
);

CREATE TABLE photos (
  job_id     uuid NOT NULL REFERENCES jobs,
  id         text NOT NULL CHECK (length(id) BETWEEN 8 AND 64),
  width      integer NOT NULL CHECK (width > 0),
  height     integer NOT NULL CHECK (height > 0),
  bytes      bytea NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now(),
  created_by text NOT NULL,
  PRIMARY KEY (job_id, id)
);

CREATE TABLE quotes (
  id         uuid PRIMARY KEY,
  job_id     uuid NOT NULL REFERENCES jobs,
  version    integer NOT NULL CHECK (version > 0),
  status     text NOT NULL CHECK (status IN ('draft', 'sent', 'accepted', 'declined', 'superseded')),
  content    jsonb NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now(),
  created_by text NOT NULL,
  UNIQUE (job_id, version)
);
CREATE UNIQUE INDEX quotes_one_accepted ON quotes (job_id) WHERE status = 'accepted';

CREATE TABLE quote_links (
  token_hash bytea PRIMARY KEY,
  quote_id   uuid NOT NULL REFERENCES quotes,
  created_at timestamptz NOT NULL DEFAULT now(),
  expires_at timestamptz NOT NULL,
  revoked_at timestamptz
);

CREATE TABLE quote_answers (
  id       bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  quote_id uuid NOT NULL REFERENCES quotes,
  kind     text NOT NULL CHECK (kind IN ('accept', 'decline', 'ask')),
  option   text,
  name     text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
  message  text NOT NULL DEFAULT '' CHECK (length(message) <= 2000),
  at       timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX quote_answers_by_quote ON quote_answers (quote_id);

CREATE TABLE audit (
  id    bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  at    timestamptz NOT NULL DEFAULT now(),
  who   text NOT NULL,
  what  text NOT NULL,
  about jsonb NOT NULL DEFAULT '{}'
);

CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION '% is append-only', TG_TABLE_NAME;
END $$;

CREATE TRIGGER entries_append_only BEFORE UPDATE OR DELETE ON entries FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER answers_append_only BEFORE UPDATE OR DELETE ON quote_answers FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER audit_append_only BEFORE UPDATE OR DELETE ON audit FOR EACH ROW EXECUTE FUNCTION refuse_change();

-- A quote's content never changes; an accepted one does not change at all.
CREATE FUNCTION guard_quote() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'DELETE' OR NEW.content IS DISTINCT FROM OLD.content OR NEW.version <> OLD.version
     OR NEW.job_id <> OLD.job_id OR (OLD.status = 'accepted' AND NEW.status <> 'accepted') THEN
    RAISE EXCEPTION 'quote % version % is frozen', OLD.job_id, OLD.version;
  END IF;
  RETURN NEW;
END $$;
CREATE TRIGGER quotes_frozen BEFORE UPDATE OR DELETE ON quotes FOR EACH ROW EXECUTE FUNCTION guard_quote();
