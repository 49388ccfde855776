-- Up Migration

-- A unit's versions are kept for good while a job uses them: a job goes on with the version it began with.
CREATE TABLE units (
  id         text NOT NULL CHECK (id ~ '^[A-Za-z0-9][A-Za-z0-9-]{0,59}$'),
  version    integer NOT NULL CHECK (version > 0),
  name       text NOT NULL,
  layout     text NOT NULL,
  stations   integer NOT NULL CHECK (stations > 0),
  -- Where this version comes from: it ships with Pelvik, or the shop made it.
  origin     text NOT NULL CHECK (origin IN ('shipped', 'shop')),
  -- json, not jsonb: an export gives back the order it came in.
  definition json NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now(),
  created_by text NOT NULL,
  PRIMARY KEY (id, version)
);

-- Units that jobs use already: their definitions are filled in when the shipped ones are installed, right after this.
INSERT INTO units (id, version, name, layout, stations, origin, definition, created_by)
SELECT unit_id, 1, unit_id, unit_id, 1, 'shipped', '{}', 'Pelvik' FROM jobs GROUP BY unit_id;

ALTER TABLE jobs ADD COLUMN unit_version integer NOT NULL DEFAULT 1;
ALTER TABLE jobs ALTER COLUMN unit_version DROP DEFAULT;
ALTER TABLE jobs ADD CONSTRAINT jobs_unit FOREIGN KEY (unit_id, unit_version) REFERENCES units (id, version);
CREATE INDEX jobs_by_unit ON jobs (unit_id, unit_version);

-- A version never changes.
CREATE FUNCTION guard_unit() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF OLD.definition::text <> '{}' THEN
    RAISE EXCEPTION 'unit % version % is kept as it is: add a version', OLD.id, OLD.version;
  END IF;
  RETURN NEW;
END $$;
CREATE TRIGGER units_frozen BEFORE UPDATE ON units FOR EACH ROW EXECUTE FUNCTION guard_unit();
