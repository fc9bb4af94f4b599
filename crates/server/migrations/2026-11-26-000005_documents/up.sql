-- What the kitchen knows about itself, by key.
CREATE TABLE settings (
    key        text PRIMARY KEY CHECK (char_length(key) BETWEEN 1 AND 40),
    document   jsonb NOT NULL,
    revision   integer NOT NULL DEFAULT 1 CHECK (revision >= 1),
    changed_at timestamptz NOT NULL DEFAULT now()
);

-- A kitchen that holds anything, deleted or not, has been filled, by its cook or by the demo.
INSERT INTO settings (key, document)
SELECT 'filled', '{"version": 1, "holds": {"by": "its cook"}}'
 WHERE EXISTS (SELECT 1 FROM machines) OR EXISTS (SELECT 1 FROM cooks)
    OR EXISTS (SELECT 1 FROM suppers) OR EXISTS (SELECT 1 FROM cards);

-- Names are one line: a line break in one became a line of the calendar.
UPDATE machines SET name = regexp_replace(name, '[[:cntrl:]]+', ' ', 'g') WHERE name ~ '[[:cntrl:]]';
UPDATE cooks    SET name = regexp_replace(name, '[[:cntrl:]]+', ' ', 'g') WHERE name ~ '[[:cntrl:]]';
UPDATE suppers  SET name = regexp_replace(name, '[[:cntrl:]]+', ' ', 'g') WHERE name ~ '[[:cntrl:]]';
UPDATE cards    SET name = regexp_replace(name, '[[:cntrl:]]+', ' ', 'g') WHERE name ~ '[[:cntrl:]]';

-- Every document counts its changes and can be brought back for a month.
ALTER TABLE machines
    ADD COLUMN revision   integer NOT NULL DEFAULT 1 CHECK (revision >= 1),
    ADD COLUMN deleted_at timestamptz,
    ADD CONSTRAINT machines_name_fits
        CHECK (char_length(name) BETWEEN 1 AND 80 AND name !~ '[[:cntrl:]]');
ALTER TABLE cards
    ADD COLUMN revision   integer NOT NULL DEFAULT 1 CHECK (revision >= 1),
    ADD COLUMN deleted_at timestamptz,
    ADD CONSTRAINT cards_name_fits
        CHECK (char_length(name) BETWEEN 1 AND 80 AND name !~ '[[:cntrl:]]');
ALTER TABLE suppers
    ADD COLUMN revision   integer NOT NULL DEFAULT 1 CHECK (revision >= 1),
    ADD COLUMN changed_at timestamptz,
    ADD COLUMN deleted_at timestamptz,
    -- What a list shows; nothing where the document cannot be read.
    ADD COLUMN summary    jsonb,
    ADD CONSTRAINT suppers_name_fits
        CHECK (char_length(name) BETWEEN 1 AND 80 AND name !~ '[[:cntrl:]]');
UPDATE suppers SET changed_at = created_at;
ALTER TABLE suppers ALTER COLUMN changed_at SET NOT NULL;
ALTER TABLE cooks
    ADD COLUMN revision   integer NOT NULL DEFAULT 1 CHECK (revision >= 1),
    ADD COLUMN summary    jsonb,
    -- The machine of the kitchen it is cooked in, whatever that is called now.
    ADD COLUMN machine_id uuid REFERENCES machines (id) ON DELETE SET NULL,
    ADD CONSTRAINT cooks_name_fits
        CHECK (char_length(name) BETWEEN 1 AND 80 AND name !~ '[[:cntrl:]]'),
    ADD CONSTRAINT cooks_note_fits CHECK (char_length(note) <= 2000),
    ADD CONSTRAINT cooks_finished_was_started CHECK (finished_at IS NULL OR started_at IS NOT NULL),
    ADD CONSTRAINT cooks_finished_after_start CHECK (finished_at >= started_at);
UPDATE cooks SET eat_at = NULL WHERE eat_at NOT BETWEEN '2000-01-01' AND '2100-12-31';
ALTER TABLE cooks
    ADD CONSTRAINT cooks_eat_at_fits
        CHECK (eat_at >= '2000-01-01' AND eat_at < '2101-01-01');
UPDATE cooks SET machine_id = machines.id
  FROM machines WHERE lower(machines.name) = lower(cooks.request #>> '{machine,name}');

-- A name is free again once what had it is deleted.
DROP INDEX machines_name;
CREATE UNIQUE INDEX machines_name ON machines (lower(name)) WHERE deleted_at IS NULL;
DROP INDEX cards_name;
-- The cut a method is for, in a column: the document is read in one place only.
ALTER TABLE cards ADD COLUMN cut text NOT NULL DEFAULT '';
UPDATE cards SET cut = coalesce(document ->> 'cut', '');
CREATE UNIQUE INDEX cards_name ON cards (kind, cut, lower(name)) WHERE deleted_at IS NULL;

-- In the order in which the database took them: two of the same millisecond keep their order.
ALTER TABLE events ADD COLUMN seq bigint GENERATED ALWAYS AS IDENTITY;
DROP INDEX events_of_cook;
CREATE UNIQUE INDEX events_of_cook ON events (cook_id, at, seq);

-- What is told of a supper is only ever added to, as of a cook.
CREATE TABLE supper_events (
    id        uuid PRIMARY KEY,
    supper_id uuid NOT NULL REFERENCES suppers (id) ON DELETE CASCADE,
    seq       bigint GENERATED ALWAYS AS IDENTITY,
    at        timestamptz NOT NULL,
    told      jsonb NOT NULL
);
CREATE UNIQUE INDEX supper_events_of_supper ON supper_events (supper_id, seq);

-- The orders of the lists, and what is counted and purged.
DROP INDEX cooks_recent;
CREATE INDEX cooks_in_order ON cooks (started_at DESC NULLS FIRST, created_at DESC, id)
    WHERE deleted_at IS NULL;
CREATE INDEX cooks_running ON cooks (started_at DESC)
    WHERE deleted_at IS NULL AND started_at IS NOT NULL AND finished_at IS NULL;
CREATE INDEX cooks_finished ON cooks (started_at DESC NULLS FIRST, created_at DESC, id)
    WHERE deleted_at IS NULL AND finished_at IS NOT NULL;
CREATE INDEX cooks_of_machine ON cooks (machine_id) WHERE deleted_at IS NULL;
CREATE INDEX cooks_deleted ON cooks (deleted_at) WHERE deleted_at IS NOT NULL;
DROP INDEX suppers_created;
CREATE INDEX suppers_in_order ON suppers (created_at DESC, id) WHERE deleted_at IS NULL;
CREATE INDEX machines_in_order ON machines (created_at, name, id) WHERE deleted_at IS NULL;

-- The search looks for parts of words. Trigrams make that quick; a database that does not offer
-- them, or does not let this role have them, searches row by row.
DO $$
BEGIN
    CREATE EXTENSION IF NOT EXISTS pg_trgm;
    CREATE INDEX cooks_searched ON cooks
        USING gin ((name || ' ' || cut || ' ' || note) gin_trgm_ops) WHERE deleted_at IS NULL;
EXCEPTION WHEN OTHERS THEN
    RAISE NOTICE 'searching without trigrams: %', SQLERRM;
END $$;
