-- Many households in one database, each with a kitchen of its own. What was there before, and whatever a
-- server on loopback keeps, is of the household "home".
CREATE TABLE households (
    id         uuid PRIMARY KEY,
    name       text NOT NULL CHECK (char_length(name) BETWEEN 1 AND 80 AND name !~ '[[:cntrl:]]'),
    -- Argon2id, in the usual text; nothing until somebody chose a passphrase.
    passphrase text,
    revision   integer NOT NULL DEFAULT 1 CHECK (revision >= 1),
    created_at timestamptz NOT NULL DEFAULT now()
);
CREATE UNIQUE INDEX households_name ON households (lower(name));
INSERT INTO households (id, name) VALUES ('00000000-0000-4000-8000-000000000001', 'Home');

-- Whose rows this transaction may see. Nothing set is nobody's.
CREATE FUNCTION current_household() RETURNS uuid LANGUAGE sql STABLE PARALLEL SAFE AS
$$ SELECT nullif(current_setting('ember.household', true), '')::uuid $$;

-- Every row has its household, and its identity counts within that: nothing can be told from an
-- identity of another one, not even that it is taken.
ALTER TABLE events DROP CONSTRAINT events_cook_id_fkey;
ALTER TABLE supper_events DROP CONSTRAINT supper_events_supper_id_fkey;
ALTER TABLE channels DROP CONSTRAINT channels_cook_id_fkey,
                     DROP CONSTRAINT channels_thermometer_id_fkey;
ALTER TABLE probe_readings DROP CONSTRAINT probe_readings_cook_id_fkey,
                           DROP CONSTRAINT probe_readings_thermometer_id_fkey;
ALTER TABLE cooks DROP CONSTRAINT cooks_machine_id_fkey, DROP CONSTRAINT cooks_supper_id_fkey;

DO $$
DECLARE
    one record;
BEGIN
    FOR one IN SELECT * FROM (VALUES
        ('settings', 'key'), ('machines', 'id'), ('cards', 'id'), ('cooks', 'id'), ('events', 'id'),
        ('suppers', 'id'), ('supper_events', 'id'), ('shared', 'id'), ('thermometers', 'id'),
        ('channels', 'thermometer_id, channel'),
        ('probe_readings', 'thermometer_id, channel, device_at'), ('changes', 'seq')
    ) AS of(name, key) LOOP
        EXECUTE format('ALTER TABLE %I ADD COLUMN household_id uuid NOT NULL
            DEFAULT ''00000000-0000-4000-8000-000000000001''
            REFERENCES households (id) ON DELETE CASCADE', one.name);
        EXECUTE format('ALTER TABLE %I ALTER COLUMN household_id SET DEFAULT current_household()',
            one.name);
        EXECUTE format('ALTER TABLE %I DROP CONSTRAINT %I', one.name, one.name || '_pkey');
        EXECUTE format('ALTER TABLE %I ADD PRIMARY KEY (household_id, %s)', one.name, one.key);
        -- The second wall, behind the filter that every query has. The owner of the tables, who migrates and
        -- backs up, sees over it; the service works as somebody else.
        EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', one.name);
        EXECUTE format('CREATE POLICY own ON %I USING (household_id = current_household())
            WITH CHECK (household_id = current_household())', one.name);
    END LOOP;
END $$;

ALTER TABLE cooks
    ADD FOREIGN KEY (household_id, machine_id) REFERENCES machines ON DELETE SET NULL (machine_id),
    ADD FOREIGN KEY (household_id, supper_id) REFERENCES suppers ON DELETE SET NULL (supper_id);
ALTER TABLE events ADD FOREIGN KEY (household_id, cook_id) REFERENCES cooks ON DELETE CASCADE;
ALTER TABLE supper_events
    ADD FOREIGN KEY (household_id, supper_id) REFERENCES suppers ON DELETE CASCADE;
ALTER TABLE channels
    ADD FOREIGN KEY (household_id, thermometer_id) REFERENCES thermometers ON DELETE CASCADE,
    ADD FOREIGN KEY (household_id, cook_id) REFERENCES cooks ON DELETE SET NULL (cook_id);
ALTER TABLE probe_readings
    ADD FOREIGN KEY (household_id, thermometer_id) REFERENCES thermometers ON DELETE CASCADE,
    ADD FOREIGN KEY (household_id, cook_id) REFERENCES cooks ON DELETE CASCADE;

-- Names, lists and what is purged, each within its household.
DROP INDEX machines_name, cards_name, cooks_of_dish, events_of_cook, supper_events_of_supper,
           cooks_in_order, cooks_running, cooks_finished, cooks_of_machine, cooks_deleted,
           suppers_in_order, machines_in_order, probe_readings_of_cook, probe_readings_free,
           shared_by_age, changes_at;
CREATE UNIQUE INDEX machines_name ON machines (household_id, lower(name)) WHERE deleted_at IS NULL;
CREATE UNIQUE INDEX cards_name ON cards (household_id, kind, cut, lower(name)) WHERE deleted_at IS NULL;
CREATE UNIQUE INDEX cooks_of_dish ON cooks (household_id, supper_id, dish)
    WHERE deleted_at IS NULL AND supper_id IS NOT NULL;
CREATE UNIQUE INDEX events_of_cook ON events (household_id, cook_id, at, seq);
CREATE UNIQUE INDEX supper_events_of_supper ON supper_events (household_id, supper_id, seq);
CREATE INDEX cooks_in_order ON cooks (household_id, started_at DESC NULLS FIRST, created_at DESC, id)
    WHERE deleted_at IS NULL;
CREATE INDEX cooks_running ON cooks (household_id, started_at DESC)
    WHERE deleted_at IS NULL AND started_at IS NOT NULL AND finished_at IS NULL;
CREATE INDEX cooks_finished ON cooks (household_id, started_at DESC NULLS FIRST, created_at DESC, id)
    WHERE deleted_at IS NULL AND finished_at IS NOT NULL;
CREATE INDEX cooks_of_machine ON cooks (household_id, machine_id) WHERE deleted_at IS NULL;
CREATE INDEX cooks_deleted ON cooks (household_id, deleted_at) WHERE deleted_at IS NOT NULL;
CREATE INDEX suppers_in_order ON suppers (household_id, created_at DESC, id) WHERE deleted_at IS NULL;
CREATE INDEX machines_in_order ON machines (household_id, created_at, name, id) WHERE deleted_at IS NULL;
CREATE INDEX probe_readings_of_cook ON probe_readings (household_id, cook_id, at) WHERE cook_id IS NOT NULL;
CREATE INDEX probe_readings_free ON probe_readings (household_id, at) WHERE cook_id IS NULL;
CREATE INDEX shared_by_age ON shared (household_id, created_at);
CREATE INDEX changes_at ON changes (household_id, at);

-- Who may in: a phone, a laptop, each with a secret of its own, of which only the hash is kept.
CREATE TABLE devices (
    id           uuid PRIMARY KEY,
    household_id uuid NOT NULL DEFAULT current_household() REFERENCES households (id) ON DELETE CASCADE,
    name         text NOT NULL CHECK (char_length(name) BETWEEN 1 AND 80 AND name !~ '[[:cntrl:]]'),
    secret       text NOT NULL UNIQUE,
    created_at   timestamptz NOT NULL,
    last_used_at timestamptz NOT NULL
);
CREATE INDEX devices_of_household ON devices (household_id, created_at);

-- Addresses that hold a secret: of a thermometer that sends, a calendar that is subscribed to, and links
-- that let a device in once.
CREATE TABLE links (
    id           uuid PRIMARY KEY,
    household_id uuid NOT NULL DEFAULT current_household() REFERENCES households (id) ON DELETE CASCADE,
    kind         text NOT NULL CHECK (kind IN ('device', 'invitation', 'calendar', 'thermometer')),
    "of"         uuid,
    secret       text NOT NULL UNIQUE,
    created_at   timestamptz NOT NULL,
    expires_at   timestamptz,
    last_used_at timestamptz
);
CREATE INDEX links_of_household ON links (household_id, kind, created_at);
INSERT INTO links (id, household_id, kind, "of", secret, created_at)
SELECT gen_random_uuid(), household_id, 'thermometer', id,
       encode(sha256(convert_to(token, 'UTF8')), 'hex'), created_at
  FROM thermometers;
ALTER TABLE thermometers DROP COLUMN token;
-- What was shared is found by the hash of its address.
UPDATE shared SET id = (substr(encode(sha256(uuid_send(id)), 'hex'), 1, 32))::uuid;

-- Before the household is known, these three are asked by the functions below, which belong to the owner of
-- the tables and answer nothing but what the secret, or the name, is for.
ALTER TABLE households ENABLE ROW LEVEL SECURITY;
CREATE POLICY own ON households USING (id = current_household()) WITH CHECK (id = current_household());
ALTER TABLE devices ENABLE ROW LEVEL SECURITY;
CREATE POLICY own ON devices USING (household_id = current_household())
    WITH CHECK (household_id = current_household());
ALTER TABLE links ENABLE ROW LEVEL SECURITY;
CREATE POLICY own ON links USING (household_id = current_household())
    WITH CHECK (household_id = current_household());

CREATE FUNCTION household_ids() RETURNS SETOF uuid
    LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS
$$ SELECT id FROM households ORDER BY created_at, id $$;

CREATE FUNCTION household_named(wanted text)
    RETURNS TABLE (household uuid, passphrase text)
    LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS
$$ SELECT id, households.passphrase FROM households WHERE lower(name) = lower(wanted) $$;

CREATE FUNCTION device_with(hash text)
    RETURNS TABLE (device uuid, household uuid, last_used_at timestamptz)
    LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS
$$ SELECT id, household_id, devices.last_used_at FROM devices WHERE secret = hash $$;

CREATE FUNCTION link_with(hash text)
    RETURNS TABLE (link uuid, household uuid, kind text, "of" uuid, expires_at timestamptz)
    LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS
$$ SELECT id, household_id, links.kind, links."of", links.expires_at FROM links WHERE secret = hash $$;

-- What changed is told with its household; that a device may not in any more ends what it listens to.
CREATE OR REPLACE FUNCTION tell_change() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
    number bigint;
BEGIN
    INSERT INTO changes (kind, of, household_id) VALUES (TG_ARGV[0], NEW.id, NEW.household_id)
        RETURNING seq INTO number;
    PERFORM pg_notify('ember_changes',
        number || ' ' || TG_ARGV[0] || ' ' || NEW.id || ' ' || NEW.household_id);
    RETURN NULL;
END $$;
CREATE FUNCTION tell_ended() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    PERFORM pg_notify('ember_changes', '0 ended ' || OLD.id || ' ' || OLD.household_id);
    RETURN NULL;
END $$;
CREATE TRIGGER devices_ended AFTER DELETE OR UPDATE OF secret ON devices
    FOR EACH ROW EXECUTE FUNCTION tell_ended();
