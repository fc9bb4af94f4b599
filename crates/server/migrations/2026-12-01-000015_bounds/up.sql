-- What no program of ours writes, no row holds: times outside the years of a kitchen, which cannot be read back, and
-- revisions that leave no room for the next change. An archive could bring them in; such rows are set to the nearest
-- bound.
DO $$
DECLARE
    one record;
    first constant text := '2000-01-01 00:00:00+00';
    last constant text := '2100-12-31 23:59:59+00';
BEGIN
    FOR one IN
        SELECT columns.table_name AS of, column_name AS name, data_type = 'integer' AS counts
          FROM information_schema.columns
          JOIN information_schema.tables USING (table_schema, table_name)
         WHERE table_schema = current_schema() AND table_type = 'BASE TABLE'
           AND table_name <> '__diesel_schema_migrations'
           AND (data_type = 'timestamp with time zone' OR column_name = 'revision')
           -- A thermometer's own clock may be anywhere that can be read.
           AND column_name <> 'device_at'
    LOOP
        IF one.counts THEN
            EXECUTE format('UPDATE %I SET %I = 1 WHERE %2$I NOT BETWEEN 1 AND 1000000000', one.of, one.name);
            EXECUTE format('ALTER TABLE %I ADD CONSTRAINT %I CHECK (%I BETWEEN 1 AND 2000000000)',
                one.of, one.of || '_' || one.name || '_bound', one.name);
        ELSE
            EXECUTE format('UPDATE %I SET %I = least(greatest(%2$I, %L), %L) WHERE %2$I NOT BETWEEN %3$L AND %4$L',
                one.of, one.name, first, last);
            EXECUTE format('ALTER TABLE %I ADD CONSTRAINT %I CHECK (%I BETWEEN %L AND %L)',
                one.of, one.of || '_' || one.name || '_bound', one.name, first, last);
        END IF;
    END LOOP;
END $$;
DELETE FROM probe_readings WHERE device_at NOT BETWEEN '1900-01-01' AND '2200-01-01';
ALTER TABLE probe_readings ADD CONSTRAINT probe_readings_device_at_bound
    CHECK (device_at BETWEEN '1900-01-01' AND '2200-01-01');

-- Every key begins with the household, so that rows can live where their household does. Their secrets are found before
-- the household is known: they are the directory of households, see docs/operations.md.
ALTER TABLE devices DROP CONSTRAINT devices_pkey, ADD PRIMARY KEY (household_id, id);
ALTER TABLE links DROP CONSTRAINT links_pkey, ADD PRIMARY KEY (household_id, id);

-- Whether there is room on the disk: a new file is written and grows. Without room that fails as any other write does,
-- also where the pages of other tables still have some.
CREATE TABLE disk_check (
    at     timestamptz NOT NULL,
    filler text NOT NULL
);
ALTER TABLE disk_check ALTER COLUMN filler SET STORAGE EXTERNAL;
CREATE FUNCTION check_disk() RETURNS boolean
    LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
    -- Who else checks it at this moment does so for all.
    IF NOT pg_try_advisory_xact_lock(x'D15C'::bigint) THEN
        RETURN false;
    END IF;
    TRUNCATE disk_check;
    INSERT INTO disk_check
    SELECT now(), string_agg(md5(random()::text), '') FROM generate_series(1, 2048);
    RETURN true;
END $$;
