-- Up Migration

-- Good parts out of donor cores: where each came from, how good it is, what it costs, and which job has it.
CREATE TABLE shelf (
  id         uuid PRIMARY KEY,
  unit_id    text NOT NULL,
  part       text NOT NULL CHECK (length(part) <= 80),
  name       text NOT NULL CHECK (length(name) <= 200),
  grade      text NOT NULL CHECK (grade IN ('sound', 'usable')),
  seen       text NOT NULL CHECK (length(seen) <= 400),
  origin     text NOT NULL CHECK (length(origin) <= 200),
  from_job   uuid NOT NULL REFERENCES jobs,
  price      integer NOT NULL CHECK (price > 0),
  added_at   timestamptz NOT NULL DEFAULT now(),
  added_by   text NOT NULL,
  held_by    uuid REFERENCES jobs,
  held_at    timestamptz,
  -- Why it is no longer there; null while it is.
  gone       text CHECK (length(gone) <= 300),
  UNIQUE (from_job, part),
  CHECK ((held_by IS NULL) = (held_at IS NULL)),
  CHECK (gone IS NULL OR held_by IS NULL)
);
CREATE INDEX shelf_by_unit ON shelf (unit_id) WHERE gone IS NULL;
CREATE INDEX shelf_by_holder ON shelf (held_by) WHERE held_by IS NOT NULL;
GRANT SELECT, INSERT ON shelf TO pelvik_app;
GRANT UPDATE (price, held_by, held_at, gone) ON shelf TO pelvik_app;

-- Cores that are being taken apart: found without reading every open job.
CREATE INDEX jobs_of_donors ON jobs (number) WHERE NOT closed AND snapshot ? 'unit-source.from';
