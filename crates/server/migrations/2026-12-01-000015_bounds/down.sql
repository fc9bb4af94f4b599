DROP FUNCTION check_disk();
DROP TABLE disk_check;
ALTER TABLE links DROP CONSTRAINT links_pkey, ADD PRIMARY KEY (id);
ALTER TABLE devices DROP CONSTRAINT devices_pkey, ADD PRIMARY KEY (id);
DO $$
DECLARE
    one record;
BEGIN
    FOR one IN
        SELECT conrelid::regclass AS of, conname AS name
          FROM pg_constraint
         WHERE contype = 'c' AND conname LIKE '%\_bound' AND connamespace = current_schema()::regnamespace
    LOOP
        EXECUTE format('ALTER TABLE %s DROP CONSTRAINT %I', one.of, one.name);
    END LOOP;
END $$;
