-- The sentence names a machine, so a kitchen has no two of one name. A kitchen that already has
-- keeps both: the later ones get the first number that makes a name nobody has.
DO $$
DECLARE
    twin record;
    free text;
BEGIN
    FOR twin IN
        SELECT id, name FROM machines AS own
         WHERE EXISTS (SELECT 1 FROM machines AS other
                        WHERE lower(other.name) = lower(own.name)
                          AND (other.created_at, other.id) < (own.created_at, own.id))
         ORDER BY created_at, id
    LOOP
        SELECT twin.name || ' (' || n || ')' INTO free
          FROM generate_series(2, 10000) AS n
         WHERE NOT EXISTS (SELECT 1 FROM machines
                            WHERE lower(name) = lower(twin.name || ' (' || n || ')'))
         ORDER BY n LIMIT 1;
        UPDATE machines
           SET name = free, profile = jsonb_set(profile, '{name}', to_jsonb(free))
         WHERE id = twin.id;
    END LOOP;
END $$;

CREATE UNIQUE INDEX machines_name ON machines (lower(name));
